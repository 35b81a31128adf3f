import { openDB, type DBSchema } from 'idb';
import type { Schemas } from '../api/client';

export type Report = Schemas['FloorReportRequest'];
export type KeptEntry = Schemas['KeptEntry'];

/** What is kept of an edition on this device, for whom, and of which moment it is true. */
export interface KeptPart {
  session: Schemas['SessionView'];
  quantities: Schemas['QuantityUnits'][];
  machineId: number;
  machine: string;
  edition: number;
  publishedAt: string;
  /** The server's clock when it was fetched. */
  at: string;
  /** This device's clock when it was fetched. */
  savedAt: number;
  total: number;
}

interface Device extends DBSchema {
  reports: { key: string; value: { person: string; report: Report }; indexes: { person: string } };
  entries: { key: string; value: KeptEntry };
  part: { key: 'part'; value: KeptPart };
}

const LONGEST = 7 * 24 * 3_600_000;

/** When what is kept goes at the latest. */
export const endOf = (part: KeptPart): Date => new Date(part.savedAt + LONGEST);

// Opened for each use, so that a browser that forbids it only fails where something is to be kept.
const open = () =>
  openDB<Device>('incisura', 1, {
    upgrade(db) {
      db.createObjectStore('reports', { keyPath: 'report.key' }).createIndex('person', 'person');
      db.createObjectStore('entries', { keyPath: 'entry.record' });
      db.createObjectStore('part');
    },
  });

async function using<T>(work: (db: Awaited<ReturnType<typeof open>>) => Promise<T>): Promise<T> {
  const db = await open();
  try {
    return await work(db);
  } finally {
    db.close();
  }
}

/** Keeps a machine's part in place of what was kept before, all of it or nothing. */
export const keepPart = (part: KeptPart, entries: readonly KeptEntry[]): Promise<void> =>
  using(async (db) => {
    const all = db.transaction(['entries', 'part'], 'readwrite');
    await Promise.all([
      all.objectStore('entries').clear(),
      ...entries.map((e) => all.objectStore('entries').put(e)),
      all.objectStore('part').put(part, 'part'),
      all.done,
    ]);
  });

/** Takes the kept part away. */
export const forgetPart = (): Promise<void> =>
  using(async (db) => {
    const all = db.transaction(['entries', 'part'], 'readwrite');
    await Promise.all([all.objectStore('entries').clear(), all.objectStore('part').clear(), all.done]);
  }).catch(() => undefined);

/** What is kept; taken away where it is older than seven days, or this device's clock was put back so that nobody knows. */
export async function keptPart(now = Date.now()): Promise<KeptPart | undefined> {
  const part = await using((db) => db.get('part', 'part')).catch(() => undefined);
  if (!part || (now <= endOf(part).getTime() && now >= part.savedAt)) return part;
  await forgetPart();
  return undefined;
}

/** What is kept and has all the words. */
export async function askPart(words: string, most: number): Promise<{ found: KeptEntry['entry'][]; total: number }> {
  const asked = words.toLowerCase().split(' ').filter(Boolean);
  const all = (await using((db) => db.getAll('entries'))).filter((e) => asked.every((w) => e.text.includes(w)));
  const by = (e: KeptEntry) => `${e.entry.situation.assembly}\n${e.entry.situation.material}`;
  all.sort((a, b) => (by(a) < by(b) ? -1 : by(a) > by(b) ? 1 : 0));
  return { found: all.slice(0, most).map((e) => e.entry), total: all.length };
}

/** Reports that could not be sent, kept until their writer sends them: each person's own, so that nobody sends what another wrote. */
export const keptReports = (person: string): Promise<Report[]> =>
  using(async (db) =>
    (await db.getAllFromIndex('reports', 'person', person)).map((r) => r.report).sort((a, b) => (a.ranAt < b.ranAt ? -1 : 1)),
  );

/** Keeps one; what is kept already stays once. */
export const keepReport = (person: string, report: Report): Promise<unknown> => using((db) => db.put('reports', { person, report }));

/** Takes one away, since it was sent or cannot be. */
export const forgetReport = (key: string): Promise<void> => using((db) => db.delete('reports', key));
