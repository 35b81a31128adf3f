import { Select } from 'antd';
import { useNavigate, useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { useMayWork, useUnits } from '../../parts/session';
import { SheetFrame } from '../../parts/SheetFrame';
import { CheckRow, NumberRows, WordRows, type NumberRow } from '../../parts/SheetRows';
import { useSheet, type Holder, type HolderSheet } from '../../parts/shelf';
import { type Profile } from '../../parts/outline';
import { ProfileShapes } from '../../parts/Silhouette';
import { storedCalls, StoredPage } from '../../parts/stored';
import { usePreview } from '../../parts/usePreview';
import { useSheetForm } from '../../parts/useSheetForm';
import { History } from './History';
import { SegmentEditor } from './SegmentEditor';
import { More } from './More';
import { SolidPanel } from './SolidPanel';
import { UsedIn } from './UsedIn';

const BLANK: Holder = {
  number: '',
  role: 'holder',
  kind: 'collet holder',
  interface: 'SK 40',
  backForm: 'cylindrical',
  backSize: 0,
  backLength: 0,
  takes: 'cylindrical',
  leastClamping: 2,
  largestClamping: 16,
  leastGrip: 28,
  boreDepth: 60,
  largestSpeed: 15000,
  balanceClass: 6.3,
  throughCoolant: false,
  driven: false,
  mass: 0,
  seatCompliance: 0.9,
  runOut: 0,
  holdingForce: 0,
  retired: false,
  remarks: '',
  segments: [
    { length: 40, lowerDiameter: 42, upperDiameter: 42, arcRadius: 0, cuts: false },
    { length: 30, lowerDiameter: 50, upperDiameter: 50, arcRadius: 0, cuts: false },
  ],
};
const NAMES: Record<string, string> = {
  number: 'Number',
  role: 'Stands',
  kind: 'Kind',
  interface: 'Machine-side interface',
  backForm: 'Its own shank',
  backSize: 'Size of its own shank',
  backLength: 'Length of its own shank',
  takes: 'Takes',
  leastClamping: 'Least clamping size',
  largestClamping: 'Largest clamping size',
  leastGrip: 'Least length gripped',
  boreDepth: 'Depth of the bore',
  largestSpeed: 'Greatest speed',
  balanceClass: 'Balance class G',
  throughCoolant: 'Coolant through it',
  driven: 'Turns its tool from a turret',
  mass: 'Mass, 0 if not weighed',
  seatCompliance: 'Tilt of the seat, µrad/N·m',
  runOut: 'Run-out by the dial, 0 if not known',
  holdingForce: 'Holds along the axis, 0 if not known',
  segments: 'Profile',
  retired: 'Retired',
  remarks: 'Remarks',
};
const GRIPS: NumberRow<Holder>[] = [
  ['leastClamping', '', 'length'],
  ['largestClamping', '', 'length'],
  ['leastGrip', '', 'length'],
  ['boreDepth', '', 'length'],
];
const RUNS: NumberRow<Holder>[] = [
  ['largestSpeed', '', 'spindleSpeed'],
  ['balanceClass', '', 'ratio'],
  ['mass', '', 'mass'],
  ['seatCompliance', '', 'ratio'],
  ['runOut', '', 'deviation'],
  ['holdingForce', '', 'force'],
];
const BACK: NumberRow<Holder>[] = [
  ['backSize', '', 'length'],
  ['backLength', '', 'length'],
];
const ROLES = [
  { value: 'holder', label: 'in the machine' },
  { value: 'extension', label: 'as an extension' },
  { value: 'sleeve', label: 'as a reduction sleeve' },
];
const FORMS: { value: Schemas['ShankForm']; label: string }[] = [
  { value: 'cylindrical', label: 'cylindrical shanks' },
  { value: 'square', label: 'square shanks' },
  { value: 'blade', label: 'blades' },
  { value: 'arbor', label: 'cutters with a bore' },
  { value: 'modular', label: 'modular couplings' },
];

const calls = storedCalls<Holder, HolderSheet>('library/holders');

/** A holder, extension or sleeve: its stacked profile, what it grips, how it is held and how stiff its seat is. */
export function HolderPage() {
  const [search] = useSearchParams();
  const like = useSheet('holders', Number(search.get('like')) || undefined);
  return (
    <StoredPage calls={calls} word="holder">
      {(sheet, key) =>
        search.get('like') && like.isPending ? (
          <p className="page muted">Fetching the holder…</p>
        ) : (
          <Editor key={key} sheet={sheet} like={like.data} />
        )
      }
    </StoredPage>
  );
}

function Editor({ sheet, like }: { sheet: HolderSheet | undefined; like: HolderSheet | undefined }) {
  const navigate = useNavigate();
  const mayWork = useMayWork();
  const form = useSheetForm<Holder, HolderSheet>({
    sheet,
    blank: like ? { ...like.definition, number: '' } : BLANK,
    calls,
    onSaved: (saved) => void navigate(`/library/holders/${saved.id}`, { replace: true }),
  });
  const holder = form.definition;
  const preview = usePreview('holders', holder, sheet, form.changed);
  const refused = { ...form.refused, ...preview.sentences };
  const stands = holder.role === 'holder';

  return (
    <SheetFrame
      means="holder"
      title={sheet ? `${sheet.definition.number}, ${holder.kind}` : 'A new holder'}
      back={{ to: '/library/holders', words: 'Holders' }}
      sheet={sheet}
      rests="library/holders"
      form={form}
      fields={[...GRIPS, ...RUNS, ...BACK].map(([key]) => key).concat('segments', 'number', 'kind', 'interface')}
      names={NAMES}
      extra={sheet && <More list="holders" id={sheet.id} copies />}
    >
      <div className="columns">
        <section className="wide">
          <div className="card notched drawing-card">
            <Drawing profile={preview.profile} back={stands ? 0 : (holder.backLength ?? 0)} />
          </div>
          <SegmentEditor
            title={stands ? 'Profile, from the nose to the gauge line' : 'Profile outside the next part, from the nose'}
            segments={holder.segments}
            disabled={!mayWork}
            onChange={(segments) => form.set('segments', segments)}
          />
          {Object.entries(refused)
            .filter(([path]) => path.startsWith('segments'))
            .map(([path, sentence]) => (
              <p key={path} className="refusal" role="alert">
                {sentence}
              </p>
            ))}
          <SolidPanel profile={preview.profile} label={holder.number || 'The holder'} />
        </section>
        <section>
          <h2>Which it is</h2>
          <WordRows form={form} rows={['number', 'kind']} names={NAMES} refused={refused} />
          <label className="line">
            Stands
            <Select aria-label="Stands" value={holder.role} disabled={!mayWork} onChange={(v) => form.set('role', v)} options={ROLES} />
          </label>
          {stands ? (
            <WordRows form={form} rows={['interface']} names={NAMES} refused={refused} />
          ) : (
            <>
              <label className="line">
                Its own shank
                <Select
                  aria-label="Its own shank"
                  value={holder.backForm}
                  disabled={!mayWork}
                  onChange={(v) => form.set('backForm', v)}
                  options={FORMS.filter((f) => f.value === 'cylindrical' || f.value === 'modular').map((f) => ({
                    ...f,
                    label: f.label.replace(/s$/, ''),
                  }))}
                />
              </label>
              <NumberRows form={form} rows={BACK} names={NAMES} refused={refused} />
            </>
          )}
          <h2>What it grips</h2>
          <label className="line">
            Takes
            <Select aria-label="Takes" value={holder.takes} disabled={!mayWork} onChange={(v) => form.set('takes', v)} options={FORMS} />
          </label>
          <NumberRows form={form} rows={GRIPS} names={NAMES} refused={refused} />
          <h2>How it runs</h2>
          <NumberRows form={form} rows={RUNS} names={NAMES} refused={refused} />
          <CheckRow form={form} field="throughCoolant" about="Coolant" words="comes through it" />
          <CheckRow form={form} field="driven" about="In a turret" words="it turns its tool" />
          <CheckRow form={form} field="retired" about="Use" words="retired" />
          <WordRows form={form} rows={['remarks']} names={NAMES} />
          <UsedIn list="holders" id={sheet?.id} none="It holds no cutter yet." />
          {sheet && <History kind="holders" id={sheet.id} revision={sheet.revision} names={NAMES} />}
        </section>
      </div>
    </SheetFrame>
  );
}

function Drawing({ profile, back }: { profile: Profile; back: number }) {
  const units = useUnits();
  const [length, girth] = [Math.max(1, profile.length), Math.max(1, profile.girth)];
  const scale = Math.min(560 / length, 200 / girth);
  const height = girth * scale + 60;
  const end = 30 + (length - back) * scale;
  return (
    <svg viewBox={`0 0 640 ${height}`} width="100%" role="img" aria-label="Profile of the holder, true to scale">
      <g transform={`translate(30 ${height / 2 - 14}) scale(${scale})`}>
        <ProfileShapes profile={profile} pixel={1 / scale} />
      </g>
      <path d={`M30 ${height - 18}H${end}M30 ${height - 23}v10M${end} ${height - 23}v10`} stroke="var(--accent)" fill="none" />
      <text x={Math.max(120, (30 + end) / 2)} y={height - 4} textAnchor="middle" className="dim accent">
        {units.text(length - back, 'length')} {back > 0 ? 'outside' : 'from nose to gauge line'}
      </text>
    </svg>
  );
}
