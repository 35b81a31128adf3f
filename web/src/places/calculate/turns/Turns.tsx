import { Suspense, useRef, type KeyboardEvent } from 'react';
import type { Page } from '../page';
import { useTray } from '../useTray';
import { TURNS } from './all';

/** What can be looked at in turn below the picture. Arrow keys go from one to the next. */
export function Turns({ page }: { page: Page }) {
  const list = useRef<HTMLDivElement>(null);
  const { pinned } = useTray();
  const { operation, result, address } = page;
  const wanted = address.chosen.show;
  const turns = TURNS.filter((t) => t.belongs(operation, result));
  const unknown = wanted !== undefined && !TURNS.some((t) => t.code === wanted);
  // A turn that the operation does not have gives way to its first one.
  const turn = turns.find((t) => t.code === wanted) ?? turns[0]!;
  const look = (code: string) => address.adjust({ show: code });

  function onKeyDown(event: KeyboardEvent) {
    const now = turns.indexOf(turn);
    const last = turns.length - 1;
    const next = { ArrowRight: now === last ? 0 : now + 1, ArrowLeft: now === 0 ? last : now - 1, Home: 0, End: last }[event.key];
    if (next === undefined) return;
    event.preventDefault();
    look(turns[next]!.code);
    list.current?.querySelectorAll<HTMLElement>('[role=tab]')[next]?.focus();
  }

  return (
    <>
      <div className="turns" role="tablist" aria-label="Below the picture" ref={list} onKeyDown={onKeyDown}>
        {turns.map(({ code, words }) => (
          <button
            key={code}
            id={`turn-${code}`}
            role="tab"
            aria-selected={code === turn.code}
            aria-controls="turned"
            tabIndex={code === turn.code ? 0 : -1}
            onClick={() => look(code)}
          >
            {code === 'tray' && pinned.length > 0 ? `${words} · ${pinned.length}` : words}
          </button>
        ))}
      </div>
      <div className="turned" id="turned" tabIndex={0} role="tabpanel" aria-labelledby={`turn-${turn.code}`}>
        {unknown && <p className="muted">There is nothing called “{wanted}” to look at; choose above.</p>}
        <Suspense fallback={null}>{turn.show(page)}</Suspense>
      </div>
    </>
  );
}
