import createClient from 'openapi-fetch';
import { whileBusy } from './busy';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];

/** A refusal of the server, with the sentence for a person and the fields it is about. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly problem: { title?: string; detail?: string; faults?: Schemas['Fault'][]; current?: unknown; rule?: string },
  ) {
    super(problem.detail ?? problem.title ?? 'The server cannot be reached; what you typed is still here. Try again in a moment.');
  }

  /** The sentence for each refused field. */
  get byField(): Record<string, string> {
    return Object.fromEntries((this.problem.faults ?? []).map((f) => [f.field, f.sentence]));
  }
}

const listeners = new Set<() => void>();

/** Calls back when the server says that nobody is signed in any more. */
export function onSessionEnd(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export const client = createClient<paths>({ baseUrl: '/', fetch: (request) => whileBusy(fetch(request)) });

client.use({
  async onResponse({ response }) {
    if (response.ok) return;
    if (response.status === 401) listeners.forEach((listener) => listener());
    const json = response.headers.get('content-type')?.includes('json');
    const problem = json ? ((await response.json()) as ApiError['problem']) : {};
    throw new ApiError(response.status, problem);
  },
  onError({ error }) {
    return error instanceof ApiError ? error : new ApiError(0, {});
  },
});

/** Whether the server was not reached at all. */
export const notReached = (error: unknown): boolean => error instanceof ApiError && error.status === 0;

/** The data of an answer; refusals were thrown before. */
export async function data<T>(answer: Promise<{ data?: T }>): Promise<T> {
  return (await answer).data as T;
}
