import { ApiError, type Schemas } from '../../api/client';

export type Report = Schemas['FloorReportRequest'];

// Each person's own, so that nobody sends what another wrote on the same device.
const place = (person: string) => `incisura.reports.${person}`;

/** Reports that could not be sent, kept on this device until their writer sends them. */
export function keptReports(person: string): Report[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(place(person)) ?? '[]');
    return Array.isArray(kept) ? (kept as Report[]) : [];
  } catch {
    return [];
  }
}

/** Keeps one; what is kept already stays once. */
export function keepReport(person: string, report: Report): void {
  const others = keptReports(person).filter((r) => r.key !== report.key);
  localStorage.setItem(place(person), JSON.stringify([...others, report]));
}

/** Takes one away, since it was sent or cannot be. */
export function forgetReport(person: string, key: string): void {
  localStorage.setItem(place(person), JSON.stringify(keptReports(person).filter((r) => r.key !== key)));
}

/** Whether the server was not reached, so that the same may be sent again: its key makes it count once. */
export const notReached = (error: unknown): boolean => error instanceof ApiError && error.status === 0;
