/** What lies in the folder, as `incisura lay-out` writes it. */
export interface Index {
  workshop: string;
  at: string;
  editions: { number: number; publishedAt: string; note: string; records: number; file: string; sha256: string; key: string }[];
  parts: { machine: string; records: number; file: string; sha256: string }[];
  since: { record: string; what: string }[];
  units: Record<string, { unit: string; decimals: number }>;
}

export interface Valued {
  code: string;
  symbol: string;
  name: string;
  quantity: string;
  value: number;
  atMachine?: number;
  assumed?: true;
}

/** A published record, as far as the page shows it. */
export interface Published {
  record: string;
  revision: number;
  operation: { name: string; thread?: string };
  material: { name: string; condition: string; designations?: string };
  machine: { name: string };
  cutter: { number: string; family: string; dimensions: Record<string, number> };
  assembly: {
    number: string;
    projection: number;
    lengthRegister?: number;
    diameterRegister?: number;
    places: { machine: string; place: number }[];
  };
  figures: (Valued & { rank: string })[];
  settings: (Valued & { ofPart: boolean })[];
  options: { code: string; name: string; words: string }[];
  findings: { severity: string; says: string }[];
  accepted: { says: string; reason: string; by: string }[];
  note: string;
  approvedBy: string;
  until?: string;
  pieces?: number;
}

/** Reads a file of the folder; where its digest is known and the browser can tell, an altered one is refused. */
export async function fetchFile<T>(name: string, sha256?: string): Promise<T> {
  const answer = await fetch(name, { cache: 'no-cache' });
  if (!answer.ok) throw new Error(`${name} is not there (${answer.status}). Try again later, or tell the workshop.`);
  const bytes = await answer.arrayBuffer();
  // Plain HTTP gives a page no way to work a digest out; `incisura verify` does.
  if (sha256 && globalThis.crypto?.subtle) {
    const digest = [...new Uint8Array(await crypto.subtle.digest('SHA-256', bytes))].map((b) => b.toString(16).padStart(2, '0')).join('');
    if (digest !== sha256)
      throw new Error(`${name} is not what the workshop laid out: do not run anything from it, and tell the workshop.`);
  }
  return JSON.parse(new TextDecoder().decode(bytes)) as T;
}

/** A value as the shop reads it, and its unit. */
export function shown(units: Index['units'], quantity: string, value: number): [number: string, unit: string] {
  const unit = units[quantity] ?? { unit: '', decimals: 3 };
  return [String(Number(value.toFixed(unit.decimals))), unit.unit];
}

/** What is set at the machine, the foremost first; what is 0 is not set. Of editions from before it was marked: what stands large. */
export function setAtMachine({ figures, settings }: Published): Valued[] {
  const told = new Set(figures.map((f) => f.code));
  const set = [...figures, ...settings.filter((s) => !told.has(s.code))].filter((f) => f.atMachine !== undefined && f.value !== 0);
  return set.length === 0 ? figures.filter((f) => f.rank === 'large') : set.sort((a, b) => a.atMachine! - b.atMachine!);
}

/** What the part is that the figures hold for, beside what is set at the machine. */
export const holdsFor = (r: Published) => r.settings.filter((s) => s.ofPart && s.value !== 0 && !s.atMachine);

/** What stood against a record when it was approved, kept or published, and why it may be used nevertheless. */
export const against = (r: Published) => r.accepted.filter((a) => !r.findings.some((f) => f.says === a.says));

/** All words a record is found by. */
export const wordsOf = (r: Published): string =>
  [
    r.record,
    r.operation.name,
    r.operation.thread,
    r.material.name,
    r.material.condition,
    r.material.designations,
    r.machine.name,
    r.cutter.number,
    r.cutter.family,
    r.assembly.number,
  ]
    .join(' ')
    .toLowerCase();

/** Records that have all the words. */
export const found = (records: readonly Published[], text: string): Published[] => {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  return records.filter((r) => words.every((w) => wordsOf(r).includes(w)));
};

/** What became of a record, in words; of one that must not be run, so that nobody overlooks it. */
export const SINCE: Record<string, { words: string; stop: boolean }> = {
  superseded: { words: 'A newer revision waits for the next edition.', stop: false },
  stale: { words: 'Something it rests on was revised; ask before you run it.', stop: false },
  broken: { words: 'Do not run it: its figures break a limit now.', stop: true },
  stopped: { words: 'Do not run it: somebody at a machine stopped it.', stop: true },
  ended: { words: 'Do not run it: the day until which it was approved is over.', stop: true },
  withdrawn: { words: 'Do not run it: it was withdrawn.', stop: true },
};

/** What became of a record as far as the folder knows, or as its own last day says. */
export function becameOf(index: Index, r: Published, today: string): { words: string; stop: boolean } | undefined {
  const what = index.since.find((s) => s.record === r.record)?.what;
  if (what) return SINCE[what] ?? { words: 'It does not hold as it was; ask before you run it.', stop: true };
  return r.until !== undefined && r.until < today ? SINCE.ended : undefined;
}
