import { wayOf } from '../../api/beside';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { useEffect, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ApiError, client, data, type Schemas } from '../../api/client';
import { useUnits } from '../../app/session';
import { Derivation } from '../../parts/Derivation';
import { Findings } from '../../parts/Findings';
import { LimitLadder } from '../../parts/LimitLadder';
import { Problem } from '../../parts/Problem';
import { useMachines, useMaterials, useOperations, usePicks, useSheet } from '../../parts/shelf';
import { Aids } from './Aids';
import { readLeftover } from './leftover';
import { Bend } from './Bend';
import { Choices } from './Choices';
import { Figures } from './Figures';
import { Overtaken } from './Overtaken';
import { Passes } from './Passes';
import { Load } from './Load';
import { Pictures } from './pictures/Pictures';
import { Tray } from './Tray';
import { turnsOf, type Turn } from './turns';
import { useTray } from './useTray';
import { Sentence } from './Sentence';
import { OperatingWindow } from './Window';
import { CrossHoles } from './holes/CrossHoles';
import { HoleSection } from './holes/HoleSection';
import { ON_SECTION } from './holes/section';
import { Stages } from './holes/Stages';
import { TapDrills } from './holes/TapDrills';
import { isHolePicture, useHole } from './holes/useHole';
import { useCalculation, useChoices, type Inputs, type Situation } from './useCalculation';

/** From one sentence to figures, limits and their derivation, and from there to a draft record. */
export function CalculatePage() {
  const navigate = useNavigate();
  const units = useUnits();
  const queries = useQueryClient();
  const { chosen, typed, options, type, pick, choose, setMany, restore } = useChoices();
  const tray = useTray();
  const operations = useOperations();
  const materials = useMaterials();
  const machines = useMachines();
  const wanted = useSheet('assemblies', Number(chosen.assembly) || undefined);
  const [why, setWhy] = useState<string | null>(null);
  const leftover = readLeftover(chosen.leftover);
  const note = chosen.note ?? '';
  const record = chosen.record;
  const version = chosen.version;

  const id = (key: string, all: { id: number }[] | undefined) => {
    const wanted = Number(chosen[key]);
    return all?.some((x) => x.id === wanted) ? wanted : undefined;
  };
  // Without an operation in the address the first one that this cutter can do.
  const family = wanted.data?.looks.built?.cutter.family;
  const operation =
    operations.data?.find((o) => o.code === chosen.op) ??
    operations.data?.find((o) => family && o.families.includes(family)) ??
    operations.data?.[0];
  const hole = useHole(operation, chosen, choose);
  const tabs = turnsOf(operation, hole.isHole, tray.pinned.length);
  // A turn that the operation does not have gives way to its first one.
  const tab = tabs.some(([key]) => key === chosen.show) ? (chosen.show as Turn) : tabs[0]![0];
  const situation: Partial<Situation> = {};
  if (operation) situation.operation = operation.code;
  const [m, x] = [id('material', materials.data), id('machine', machines.data)];
  const a = wanted.data?.id;
  // What fits the situation stands first, so that the page opens with something that can be run.
  const fitting = usePicks(
    'assemblies',
    { ...(m && { materialId: m }), ...(x && { machineId: x }), operation: operation?.code ?? '', take: 1 },
    !chosen.assembly && Boolean(m && x && operation),
  );
  if (m) situation.materialId = m;
  if (a) situation.assemblyId = a;
  if (x) situation.machineId = x;
  const complete = m && a && x && operation ? (situation as Situation) : null;

  // Without a machine or a material in the address the page opens where the last calculation left off.
  useEffect(() => {
    if (!materials.data?.length || !machines.data?.length) return;
    const last = JSON.parse(localStorage.getItem('situation') ?? '{}') as Record<string, string>;
    const has = (all: { id: number }[], v: string | undefined) => all.some((s) => String(s.id) === v);
    if (!m) choose('material', has(materials.data, last.material) ? last.material : String(materials.data[0]!.id));
    else if (!x) choose('machine', has(machines.data, last.machine) ? last.machine : String(machines.data[0]!.id));
    else if (!chosen.assembly || wanted.isError) {
      const first = !wanted.isError && last.assembly ? last.assembly : fitting.data?.rows[0] && String(fitting.data.rows[0].sheet.id);
      if (first && first !== chosen.assembly) choose('assembly', first);
    } else if (a) localStorage.setItem('situation', JSON.stringify({ material: String(m), machine: String(x), assembly: String(a) }));
  }, [m, a, x, materials.data, machines.data, chosen.assembly, wanted.isError, fitting.data, choose]);

  const { query, result, body, choices, refused } = useCalculation(
    complete,
    asked(typed, operation),
    offered(options, operation),
    tab === 'derivation',
    operation?.takes ? leftover : null,
    chosen.method,
    hole.body,
  );
  const { keep } = hole;
  useEffect(() => keep(query.isPlaceholderData ? undefined : query.data), [keep, query.isPlaceholderData, query.data]);
  const assembly = wanted.data;
  const cutter = assembly?.looks.built?.cutter;
  const stale = query.isError;
  // While another operation is worked out, the picture still shows the one the figures belong to.
  const picture = operations.data?.find((o) => o.code === result?.operation)?.picture ?? '';

  const save = useMutation({
    mutationFn: (from: string | undefined): Promise<Schemas['RecordView']> =>
      record
        ? data(
            client.PUT('/api/v1/records/{number}', {
              params: { path: { number: record } },
              headers: { 'If-Match': `"${from}"` },
              body: { ...choices, note },
            }),
          )
        : (data(client.POST('/api/v1/records', { body: { ...body, operation: operation!.code, note } })) as Promise<Schemas['RecordView']>),
    onSuccess: async (saved) => {
      await queries.invalidateQueries({ queryKey: ['records'] });
      void navigate(`/records/${saved.number}`);
    },
  });

  const overtaken =
    save.error instanceof ApiError && save.error.status === 412 ? (save.error.problem.current as Schemas['RecordView']) : null;
  const openRevision =
    save.error instanceof ApiError && save.error.problem.rule === 'open-revision' ? /R-\d+/.exec(save.error.message)?.[0] : undefined;
  const typeBase = (values: Record<string, number>, clear: string[] = []) => {
    const quantity = (code: string) => operation!.fields.find((f) => f.code === code)!.quantity;
    type({
      ...Object.fromEntries(clear.map((code) => [code, undefined])),
      ...Object.fromEntries(
        Object.entries(values).map(([code, base]) => [code, { text: units.editable(base, quantity(code)), system: units.system, base }]),
      ),
    });
  };
  const axes = axesOf(operation, chosen.axes);
  const pinThis = () => {
    const address = new URLSearchParams(chosen);
    ['show', 'note', 'record', 'version'].forEach((k) => address.delete(k));
    tray.pin({
      name: assembly?.definition.number ?? operation!.name,
      address: address.toString(),
      alternative: { operation: operation!.code, request: body },
    });
    choose('show', 'tray');
  };
  const onWhy = (symbol: string) => {
    setWhy(symbol);
    choose('show', 'derivation');
  };
  const general =
    query.error && Object.keys(refused).every((f) => !operation?.fields.some((o) => o.code === f) && !/^(edits|crossHoles)/.test(f))
      ? query.error
      : null;

  const methodAddress = (code: string) => {
    const { DC, TDZ, DCX } = cutter?.dimensions ?? {};
    const typed = Object.entries(chosen).filter(([k]) => /^[no]\./.test(k));
    const kept = new URLSearchParams({ operation: code, d: String(DC ?? TDZ ?? DCX ?? ''), ...Object.fromEntries(typed) });
    return `/shop/methods/new?${kept.toString()}`;
  };

  return (
    <div className="calculate">
      <Sentence
        situation={situation}
        steadiness={operation?.options.find((o) => o.code === 'steadiness')}
        steady={options.steadiness ?? 'steady'}
        choose={choose}
        pick={pick}
        fixed={record !== undefined}
      />
      {complete && operation && (
        <Aids
          situation={complete}
          operation={operation}
          body={body}
          limits={result?.limits ?? []}
          before={() => new URLSearchParams(chosen).toString()}
          restore={restore}
          methodAddress={methodAddress(operation.code)}
          take={(numbers, picked = {}, words = {}, clear = []) => {
            typeBase(numbers, clear);
            setMany({ ...Object.fromEntries(Object.entries(picked).map(([k, v]) => [`o.${k}`, v])), ...words });
          }}
        />
      )}
      <div className={`work ${stale ? 'stale-figures' : ''}`}>
        {operation && (
          <Choices
            operation={operation}
            result={result}
            typed={typed}
            refused={refused}
            type={(code, t) => type({ [code]: t })}
            pick={pick}
            elsewhere={hole.isHole ? ON_SECTION : undefined}
          >
            {hole.staged && (
              <CrossHoles
                holes={hole.crossHoles}
                start={{ distance: Math.round((typed.depth?.base ?? 60) / 2), diameter: 10, angle: 90, offset: 0 }}
                refused={refused}
                onHoles={hole.onHoles}
              />
            )}
          </Choices>
        )}
        <section className="centre" aria-label="Picture">
          <Problem error={general ?? operations.error ?? materials.error ?? wanted.error ?? machines.error} />
          {!result && !general && Object.keys(refused).length > 0 && (
            <p className="muted">
              Nothing can be worked out yet: correct what is marked among the choices, or press Escape there for the proposal.
            </p>
          )}
          {result && cutter && assembly && (
            <>
              {hole.isHole && operation!.code === result.operation ? (
                <HoleSection
                  operation={operation!}
                  result={result}
                  cutter={cutter}
                  profile={assembly.looks.profile}
                  crossHoles={hole.crossHoles}
                  typed={typed}
                  refused={refused}
                  type={(code, t) => type({ [code]: t })}
                />
              ) : (
                !isHolePicture(picture) && (
                  <Pictures
                    result={result}
                    cutter={cutter}
                    picture={picture}
                    profile={assembly.looks.profile}
                    projection={assembly.definition.projection}
                    number={assembly.definition.number}
                  />
                )
              )}
              <div className="turns" role="tablist" aria-label="Below the picture">
                {tabs.map(([key, words]) => (
                  <button key={key} role="tab" aria-selected={tab === key} onClick={() => choose('show', key)}>
                    {words}
                  </button>
                ))}
              </div>
              <div className="turned" tabIndex={0} role="tabpanel" aria-label={tabs.find(([key]) => key === tab)?.[1]}>
                {tab === 'window' && complete && (
                  <OperatingWindow
                    situation={complete}
                    operation={operation!}
                    body={body}
                    result={result}
                    axes={axes}
                    onAxes={(a, b) => choose('axes', `${a}~${b}`)}
                    onMove={typeBase}
                  />
                )}
                {tab === 'load' && complete && <Load situation={complete} body={body} />}
                {tab === 'bend' && <Bend result={result} cutter={cutter} picture={picture} />}
                {tab === 'stages' && <Stages stages={wayOf(result)} edits={hole.edits} refused={refused} onEdits={hole.onEdits} />}
                {tab === 'drills' && <TapDrills body={body} onTake={(d) => typeBase({ holeBefore: d })} />}
                {tab === 'tray' && <Tray tray={tray} goOn={restore} />}
                {tab === 'passes' && <Passes result={result} />}
                {tab === 'derivation' && <Derivation result={result} symbol={why} />}
              </div>
            </>
          )}
        </section>
        <section className="outcome" aria-label="Figures and limits">
          {result && (
            <>
              <Figures result={result} onWhy={onWhy} />
              <LimitLadder limits={result.limits} />
            </>
          )}
        </section>
      </div>
      <footer className="keep">
        <div className="scroll" tabIndex={0} role="group" aria-label="What the calculation noticed">
          {result && <Findings findings={result.findings} />}
        </div>
        <div>
          <Input.TextArea
            aria-label="Why these figures: a note for the record"
            placeholder="why these figures: a note for the record"
            rows={2}
            maxLength={2000}
            value={note}
            onChange={(e) => choose('note', e.target.value || undefined)}
          />
          <Problem error={save.error} />
          {openRevision && <Link to={`/records/${openRevision}`}>Open {openRevision}</Link>}
          {overtaken && <Overtaken theirs={overtaken} saving={save.isPending} onMine={(from) => save.mutate(from)} />}
        </div>
        <div className="acts">
          <Button
            block
            disabled={!result || stale || tray.full}
            onClick={pinThis}
            title={tray.full ? 'Eight are pinned; unpin one first.' : undefined}
          >
            Pin to the tray
          </Button>
          <Button type="primary" block disabled={!result || stale} loading={save.isPending} onClick={() => save.mutate(version)}>
            {record ? `Save draft ${record}` : 'Save as draft record'}
          </Button>
          {record && <Link to={`/records/${record}`}>Back to {record}</Link>}
        </div>
      </footer>
    </div>
  );
}

// Only what the operation asks for is sent; values typed for another one stay in the address and come back with it.
const asked = (typed: Inputs, operation: Schemas['OperationDescription'] | undefined): Inputs =>
  Object.fromEntries(Object.entries(typed).filter(([code]) => !operation || operation.fields.some((f) => f.code === code)));

const offered = (options: Record<string, string>, operation: Schemas['OperationDescription'] | undefined): Record<string, string> =>
  Object.fromEntries(Object.entries(options).filter(([code]) => !operation || operation.options.some((o) => o.code === code)));

// The two values the window is drawn over: those asked for, as far as the operation has them.
function axesOf(operation: Schemas['OperationDescription'] | undefined, wanted: string | undefined): [string, string] {
  const free = operation?.free ?? [];
  const [a, b] = (wanted ?? '').split('~').filter((code) => free.includes(code));
  const across = a ?? free[0] ?? '';
  return [across, b && b !== across ? b : (free.find((f) => f !== across) ?? '')];
}
