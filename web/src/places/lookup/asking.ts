import { client, data, notReached, type Schemas } from '../../api/client';
import { askPart, keepPart, keptPart, type KeptPart } from '../../parts/device';

type Answer = Schemas['LookupAnswer'];
const [MOST, AT_ONCE, TRIES] = [60, 200, 3];
/** Which machine this device stands at; no secret, so that it is still known after the next sign-in. */
const MACHINE = 'incisura.machine';

/** Asks the server; where it is not reached, what is kept on this device, which says so. */
export async function ask(q: string): Promise<Answer & { kept?: KeptPart }> {
  try {
    return await data(client.GET('/api/v1/lookup', { params: { query: { q } } }));
  } catch (error) {
    const kept = notReached(error) ? await keptPart() : undefined;
    if (!kept) throw error;
    const { found, total } = await askPart(q, MOST);
    return { edition: kept.edition, publishedAt: kept.publishedAt, asksReading: false, entries: found, total, nearest: [], kept };
  }
}

export const machineHere = (): number => Number(localStorage.getItem(MACHINE) ?? 0);

export const standAt = (machine: number): void =>
  machine > 0 ? localStorage.setItem(MACHINE, String(machine)) : localStorage.removeItem(MACHINE);

/** Fetches a machine's part of the newest edition, and keeps it whole or not at all. */
export async function fetchPart(
  machine: { machineId: number; machine: string },
  of: Pick<KeptPart, 'session' | 'quantities'>,
  told: (done: number, total: number) => void,
): Promise<KeptPart> {
  // Opens without a network only with the program's own files here too.
  await navigator.serviceWorker.register('/sw.js');
  for (let i = 0; i < TRIES; i++) {
    const savedAt = Date.now();
    const first = await page(machine.machineId, 0);
    const entries = [...first.entries];
    let same = true;
    while (same && entries.length < first.total) {
      told(entries.length, first.total);
      const next = await page(machine.machineId, entries.length);
      same = next.edition === first.edition && next.entries.length > 0;
      entries.push(...next.entries);
    }
    if (!same) continue;
    const { edition, publishedAt, at, total } = first;
    const part: KeptPart = { ...of, ...machine, edition, publishedAt, at, savedAt, total };
    await navigator.serviceWorker.ready;
    await keepPart(part, entries);
    return part;
  }
  throw new Error('Editions were published all the time while this was fetched; fetch it again in a minute.');
}

const page = (machine: number, skip: number) =>
  data(client.GET('/api/v1/lookup/parts/{machine}', { params: { path: { machine }, query: { skip, take: AT_ONCE } } }));
