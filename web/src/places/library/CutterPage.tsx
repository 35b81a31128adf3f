import { Button, InputNumber } from 'antd';
import { useNavigate, useSearchParams } from 'react-router';
import { useMayWork, useUnits } from '../../parts/session';
import { NumberField } from '../../parts/NumberField';
import { Problem } from '../../parts/Problem';
import { SheetFrame } from '../../parts/SheetFrame';
import { cutterWords, useFamilies, useSheet, type Cutter, type CutterSheet, type Family } from '../../parts/shelf';
import { storedCalls, StoredPage } from '../../parts/stored';
import { usePreview } from '../../parts/usePreview';
import { useSheetForm } from '../../parts/useSheetForm';
import { capital, CutterDrawing, onDrawing } from './CutterDrawing';
import { CutterWords } from './CutterWords';
import { History } from './History';
import { MayDo } from './MayDo';
import { Retire } from './Retire';
import { SegmentEditor } from './SegmentEditor';
import { More } from './More';
import { SolidPanel } from './SolidPanel';
import { UsedIn } from './UsedIn';

const NAMES: Record<string, string> = {
  number: 'Number',
  family: 'Family',
  material: 'Cutting material',
  grade: 'Grade',
  coating: 'Coating',
  hand: 'Hand',
  throughCoolant: 'Coolant through it',
  regrinds: 'Regrinds left',
  groups: 'May cut',
  segments: 'Profile',
  retired: 'Retired',
  replacedById: 'Replaced by',
  remarks: 'Remarks',
};

const blankOf = (family: Family): Cutter => ({
  number: '',
  family: family.code,
  material: family.name.includes('tap') ? 'powderSteel' : 'carbide',
  grade: '',
  coating: '',
  hand: 'right',
  throughCoolant: false,
  regrinds: 0,
  dimensions: family.start,
  picks: {},
  segments: family.freeProfile
    ? [
        { length: 4, lowerDiameter: 20, upperDiameter: 20, arcRadius: 0, cuts: true },
        { length: 56, lowerDiameter: 12, upperDiameter: 12, arcRadius: 0, cuts: false },
      ]
    : [],
  groups: ['P'],
  retired: false,
  replacedById: 0,
  remarks: '',
});

const calls = storedCalls<Cutter, CutterSheet>('library/cutters');

/** A cutter: its dimensioned drawing, and what the drawing cannot show beside it. */
export function CutterPage() {
  const [search] = useSearchParams();
  const families = useFamilies();
  const like = useSheet('cutters', Number(search.get('like')) || undefined);
  return (
    <StoredPage calls={calls} word="cutter">
      {(sheet, key) =>
        families.data && !(search.get('like') && like.isPending) ? (
          <Editor key={key} sheet={sheet} families={families.data} like={like.data} back={search.get('back')} />
        ) : (
          <p className="page muted">Fetching the families…</p>
        )
      }
    </StoredPage>
  );
}

function Editor(props: {
  sheet: CutterSheet | undefined;
  families: readonly Family[];
  like: CutterSheet | undefined;
  back: string | null;
}) {
  const { sheet, families, like, back } = props;
  const navigate = useNavigate();
  const units = useUnits();
  const mayWork = useMayWork();
  const blank = like ? { ...like.definition, number: '', retired: false, replacedById: 0 } : blankOf(families[0]!);
  const form = useSheetForm<Cutter, CutterSheet>({
    sheet,
    blank,
    calls,
    onSaved: (saved) =>
      void navigate(
        back && !sheet ? `/library/assemblies/new?cutter=${saved.id}&back=${encodeURIComponent(back)}` : `/library/cutters/${saved.id}`,
        { replace: true },
      ),
  });
  const cutter = form.definition;
  const family = families.find((f) => f.code === cutter.family)!;
  const preview = usePreview('cutters', cutter, sheet, form.changed);
  const sentences = { ...form.refused, ...preview.sentences };
  const questions = [...preview.faults, ...preview.doubts];
  const meant = Object.fromEntries(questions.filter((f) => f.meant !== null).map((f) => [f.field, f.meant!]));
  const beside = family.dimensions.filter((d) => !onDrawing(d));

  const onFamily = (code: string) => {
    const next = families.find((f) => f.code === code)!;
    const symbols = next.dimensions.map((d) => d.dimension.symbol);
    const kept = Object.fromEntries(Object.entries(cutter.dimensions!).filter(([s]) => sheet && symbols.includes(s)));
    form.setMany({ family: next.code, dimensions: { ...next.start, ...kept }, picks: {}, segments: blankOf(next).segments! });
  };

  return (
    <SheetFrame
      means="cutter"
      title={sheet ? `${sheet.definition.number}, ${cutterWords(cutter, sheet.looks, (mm) => units.size(mm), families)}` : 'A new cutter'}
      back={{ to: '/library/cutters', words: 'Cutters' }}
      sheet={sheet}
      rests="library/cutters"
      form={form}
      fields={[...Object.keys(NAMES), 'dimensions', 'picks']}
      names={NAMES}
      extra={
        sheet && (
          <>
            {mayWork && !cutter.retired && (
              <Button onClick={() => void navigate(`/library/assemblies/new?cutter=${sheet.id}`)}>Put it in a holder</Button>
            )}
            <More list="cutters" id={sheet.id} copies />
          </>
        )
      }
    >
      {!sheet && like && <p className="muted">Copied from {like.definition.number}: change what differs and give it a number.</p>}
      {cutter.retired && (
        <Problem error={`${cutter.number} is retired${cutter.replacedById ? ' and replaced' : ''}; lists leave it out.`} />
      )}
      <div className="card notched drawing-card">
        <CutterDrawing
          cutter={cutter}
          family={family}
          profile={preview.profile}
          field={(symbol) => form.entry('dimensions', symbol)}
          sentences={sentences}
          meant={meant}
          ranges={preview.ranges}
          disabled={!mayWork}
        />
        {Object.entries(sentences)
          .filter(([path]) => path.startsWith('dimensions.') || path === 'segments')
          .map(([path, sentence]) => (
            <p key={path} className="refusal" role="alert">
              {sentence}
            </p>
          ))}
        {preview.doubts.map((d) => (
          <p key={d.field} className="doubt">
            {d.sentence}
          </p>
        ))}
      </div>
      {sheet && mayWork && <MayDo id={sheet.id} />}
      <div className="columns">
        <section>
          <h2>Which it is</h2>
          <CutterWords form={form} family={family} families={families} refused={sentences} onFamily={onFamily} />
        </section>
        <section>
          <h2>What the drawing cannot show</h2>
          {beside.map((d) => (
            <NumberField
              key={d.dimension.symbol}
              label={capital(d.dimension.name)}
              symbol={d.dimension.symbol}
              quantity={d.dimension.quantity}
              {...form.entry('dimensions', d.dimension.symbol)}
              refused={sentences[`dimensions.${d.dimension.symbol}`] && 'see above'}
              least={preview.ranges[`dimensions.${d.dimension.symbol}`]?.least}
              most={preview.ranges[`dimensions.${d.dimension.symbol}`]?.most}
              disabled={!mayWork}
            />
          ))}
          <label className="line">
            Regrinds left
            <InputNumber
              min={0}
              max={99}
              precision={0}
              value={cutter.regrinds ?? 0}
              disabled={!mayWork}
              onChange={(v) => form.set('regrinds', v ?? 0)}
            />
          </label>
          {family.freeProfile && (
            <SegmentEditor
              title="Profile, from the tip to the back"
              segments={cutter.segments ?? []}
              cuts
              disabled={!mayWork}
              onChange={(segments) => form.set('segments', segments)}
            />
          )}
        </section>
        <section>
          <SolidPanel profile={preview.profile} label={cutter.number || 'The cutter'} />
          <UsedIn list="cutters" id={sheet?.id} none="It stands in no holder yet." />
          {sheet && mayWork && <Retire sheet={sheet} />}
          {sheet && <History kind="cutters" id={sheet.id} revision={sheet.revision} names={NAMES} />}
        </section>
      </div>
    </SheetFrame>
  );
}
