import type { Schemas } from '../api/client';

/** The revision people work on: the newest that was not given up. The server sends the newest first. */
export const newestOf = ({ revisions }: Schemas['RecordView']): Schemas['RecordRevisionView'] =>
  revisions.find((r) => r.state !== 'discarded') ?? revisions[0]!;
