import { Button } from 'antd';
import { useEffect, type ReactNode } from 'react';
import { Link, useLocation } from 'react-router';
import { useMayWork } from './session';
import { ApiError } from '../api/client';
import { differences, fieldWords, text } from './differences';
import { FieldMeanings } from './Meanings';
import { Leaving } from './Leaving';
import { Presence } from './Presence';
import { Problem } from './Problem';
import { Touches, useTouched, type Rests } from './Touches';
import { day } from './units';

/** Differences of a lost race that are shown; the rest is counted. */
const MOST_SHOWN = 20;

interface Props<T extends object> {
  title: ReactNode;
  /** Whether it stands within a page that has a heading of its own. */
  within?: boolean;
  back: { to: string; words: string };
  sheet: { id: number; revision: number; changedBy: string; changedAt: string } | undefined;
  /** Where it is kept, where records rest on it: then what a change touches is told before it is saved. */
  rests?: Rests;
  form: {
    definition: T;
    changed: boolean;
    canUndo: boolean;
    undo: () => void;
    save: { mutate: () => void; isPending: boolean; error: unknown };
    theirs: { revision: number; changedBy: string; definition: T } | undefined;
    keepMine: () => void;
    takeTheirs: () => void;
    refused: Record<string, string>;
  };
  /** Fields that show their own refusal; others are listed at the top. */
  fields: readonly string[];
  names: Partial<Record<string, string>>;
  extra?: ReactNode;
  /** Kind of thing whose fields are explained at the end of the page. */
  means?: string;
  /** Words of the button that keeps a new thing. */
  add?: string;
  children: ReactNode;
}

/** The page around one stored thing: heading, revision, undo, save, and what happens when two people save. */
export function SheetFrame<T extends object>({
  title,
  within,
  back,
  sheet,
  rests,
  form,
  fields,
  names,
  extra,
  means,
  add = 'Add to the library',
  children,
}: Props<T>) {
  const mayWork = useMayWork();
  const { pathname } = useLocation();
  const touched = useTouched(rests, sheet?.id, form.definition);
  const { changed, canUndo, undo, save, theirs, refused } = form;

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (!(e.ctrlKey || e.metaKey)) return;
      if (e.key === 's' && changed) {
        e.preventDefault();
        save.mutate();
      } else if (e.key === 'z' && canUndo && !(e.target as HTMLElement).closest('textarea')) {
        e.preventDefault();
        undo();
      }
    };
    const onLeave = (e: BeforeUnloadEvent) => changed && e.preventDefault();
    window.addEventListener('keydown', onKey);
    window.addEventListener('beforeunload', onLeave);
    return () => {
      window.removeEventListener('keydown', onKey);
      window.removeEventListener('beforeunload', onLeave);
    };
  });

  const differing = theirs ? differences(form.definition, theirs.definition) : [];
  const elsewhere = Object.entries(refused).filter(
    ([field]) => !fields.some((f) => field === f || field.startsWith(`${f}.`) || field.startsWith(`${f}[`)),
  );
  const general = save.error && !theirs && !(save.error instanceof ApiError && save.error.status === 422);
  return (
    <div className="page">
      <header>
        <div>
          <Link to={back.to}>{back.words}</Link>
          {within ? <h2>{title}</h2> : <h1>{title}</h1>}
        </div>
        <span className="grow" />
        {sheet && (
          <span className="muted">
            revision {sheet.revision}, {sheet.changedBy}, {day(sheet.changedAt)}
          </span>
        )}
        {extra}
        {mayWork && (
          <>
            <Button disabled={!canUndo} onClick={undo}>
              Undo
            </Button>
            {rests && sheet && (
              <Button disabled={!changed} loading={touched.isPending} onClick={() => touched.mutate()}>
                What this touches
              </Button>
            )}
            <Button type="primary" disabled={!changed} loading={save.isPending} onClick={() => save.mutate()}>
              {sheet ? `Save as revision ${sheet.revision + 1}` : add}
            </Button>
          </>
        )}
      </header>
      <Leaving typed={changed && !save.isPending} />
      {sheet && <Presence page={pathname} editing={changed} />}
      {(touched.data || touched.error) && <Touches asked={touched} onClose={touched.reset} />}
      {general ? <Problem error={save.error} /> : null}
      {elsewhere.map(([field, sentence]) => (
        <Problem key={field} error={sentence} />
      ))}
      {theirs && (
        <section className="card race" role="alert">
          <b>{(save.error as Error).message}</b>
          <table>
            <thead>
              <tr>
                <th />
                <th>yours</th>
                <th>
                  theirs, revision {theirs.revision} by {theirs.changedBy}
                </th>
              </tr>
            </thead>
            <tbody>
              {differing.slice(0, MOST_SHOWN).map((d) => (
                <tr key={d.field}>
                  <td>{fieldWords(names, d.field)}</td>
                  <td className="mono">{text(d.from)}</td>
                  <td className="mono">{text(d.to)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {differing.length > MOST_SHOWN && <p className="muted">And {differing.length - MOST_SHOWN} more.</p>}
          <Button type="primary" onClick={form.keepMine}>
            Go on from theirs, keeping what I typed
          </Button>{' '}
          <Button onClick={form.takeTheirs}>Take theirs</Button>
        </section>
      )}
      {children}
      {means && <FieldMeanings kind={means} names={names} />}
    </div>
  );
}
