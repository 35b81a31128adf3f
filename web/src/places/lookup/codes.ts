/** Whether a code is an address, as ours are. */
export const isAddress = (code: string): boolean => /^https?:\/\//.test(code.trim());

/** What a code asks for: ours hold the address of a page, others a number. */
export function wordsOf(code: string): { words: string; record?: string } {
  const text = code.trim();
  if (!isAddress(text) || !URL.canParse(text)) return { words: text };
  const { searchParams, pathname } = new URL(text);
  const record = searchParams.get('record') ?? undefined;
  const words = searchParams.get('q') ?? record ?? decodeURIComponent(pathname.split('/').filter(Boolean).at(-1) ?? '');
  return { words, ...(record && { record }) };
}
