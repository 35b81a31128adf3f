import type { Schemas } from './client';

type Kinds<T extends { kind?: string }> = NonNullable<T['kind']>;
type OfKind<T extends { kind?: string }, K> = Extract<T, { kind?: K }>;

type Extra = Schemas['Extra'];
type Attachment = Schemas['Attachment'];

const among = <T extends { kind?: string }, K extends Kinds<T>>(all: readonly T[] | null | undefined, kind: K): OfKind<T, K> | undefined =>
  all?.find((one): one is T & OfKind<T, K> => one.kind === kind);

/** What a choice has beyond numbers and picks, by its kind. */
export const extra = <K extends Kinds<Extra>>(all: readonly Extra[] | null | undefined, kind: K): OfKind<Extra, K> | undefined =>
  among<Extra, K>(all, kind);

/** What a result has beyond figures, by its kind. */
export const attached = <K extends Kinds<Attachment>>(
  all: readonly Attachment[] | null | undefined,
  kind: K,
): OfKind<Attachment, K> | undefined => among<Attachment, K>(all, kind);

/** The way of the tool, stretch by stretch. */
export const wayOf = (result: Schemas['CalculationResult']): Schemas['WayPart'][] => attached(result.attachments, 'toolWay')?.parts ?? [];

/** The thread that was chosen, as the address keeps it. */
export function threadOf(all: readonly Extra[] | null | undefined) {
  const thread = extra(all, 'threadToCut');
  return thread && { text: thread.text, ownId: thread.ownId ?? 0 };
}
