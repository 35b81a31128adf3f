import { Select } from 'antd';
import { useNavigate } from 'react-router';
import type { Schemas } from '../../api/client';
import { useMayWork } from '../../parts/session';
import { SheetFrame } from '../../parts/SheetFrame';
import { CheckRow, NumberRows, WordRows, type NumberRow } from '../../parts/SheetRows';
import { storedCalls, StoredPage } from '../../parts/stored';
import { useSheetForm } from '../../parts/useSheetForm';

type Material = Schemas['WorkMaterial'];
type MaterialSheet = Schemas['SheetOfWorkMaterial'];

// No figure stands here before somebody has typed it and said where it comes from.
const BLANK: Material = { name: '', designations: '', condition: '', group: 'P', subGroup: '', source: '' };
const NAMES: Record<string, string> = {
  name: 'Name',
  designations: 'Other designations, parted by commas',
  condition: 'Condition',
  group: 'ISO 513 group',
  subGroup: 'Sub-group of the shop',
  hardness: 'Brinell hardness',
  tensileStrength: 'Tensile strength',
  specificCuttingForce: 'Specific cutting force at 1 mm',
  chipExponent: 'Rise for thin chips',
  radialRatio: 'Radial over tangential force',
  edgeForce: 'Edge force, tangential, 0 if not stated',
  edgeForceRadial: 'Edge force, radial',
  edgeForceAxial: 'Edge force, axial',
  youngsModulus: 'Young’s modulus, 0 for what is usual in its group',
  fittedFrom: 'Fitted for chips from, 0 if not stated',
  fittedTo: 'Fitted for chips to',
  untried: 'Starting values',
  source: 'Where the figures come from',
};
const NUMBERS: NumberRow<Material>[] = [
  ['hardness', 'HBW', 'hardness'],
  ['tensileStrength', 'R_m', 'stress'],
  ['specificCuttingForce', 'k_c1.1', 'stress'],
  ['chipExponent', 'm_c', 'ratio'],
  ['radialRatio', 'k_r', 'ratio'],
  ['edgeForce', 'K_te', 'edgeForce'],
  ['edgeForceRadial', 'K_re', 'edgeForce'],
  ['edgeForceAxial', 'K_ae', 'edgeForce'],
  ['youngsModulus', 'E', 'stress'],
  ['fittedFrom', 'h_1', 'chip'],
  ['fittedTo', 'h_2', 'chip'],
];
const WORDS = ['name', 'designations', 'condition', 'subGroup', 'source'] as const;

const calls = storedCalls<Material, MaterialSheet>('shop/materials');

/** A work material with its force coefficients. A change makes the records that rest on it stale. */
export function MaterialPage() {
  return (
    <StoredPage calls={calls} word="work material">
      {(sheet, key) => <Editor key={key} sheet={sheet} />}
    </StoredPage>
  );
}

function Editor({ sheet }: { sheet: MaterialSheet | undefined }) {
  const navigate = useNavigate();
  const mayWork = useMayWork();
  const form = useSheetForm<Material, MaterialSheet>({
    sheet,
    blank: BLANK,
    calls,
    onSaved: (saved) => void navigate(`/shop/materials/${saved.id}`, { replace: true }),
  });
  const material = form.definition;
  return (
    <SheetFrame
      means="material"
      title={sheet ? sheet.definition.name : 'A new work material'}
      back={{ to: '/shop/materials', words: 'Work materials' }}
      sheet={sheet}
      rests="shop/materials"
      form={form}
      add="Add to the shop"
      fields={NUMBERS.map(([key]) => key)}
      names={NAMES}
    >
      <div className="columns">
        <section>
          <h2>Which it is</h2>
          <WordRows form={form} rows={WORDS} names={NAMES} />
          <label className="line">
            {NAMES.group}
            <Select
              aria-label="ISO 513 group"
              value={material.group}
              disabled={!mayWork}
              onChange={(g) => form.set('group', g)}
              options={(['P', 'M', 'K', 'N', 'S', 'H'] as const).map((g) => ({ value: g, label: g }))}
            />
          </label>
        </section>
        <section>
          <h2>How hard it is to cut</h2>
          <NumberRows form={form} rows={NUMBERS} names={NAMES} refused={form.refused} />
          <CheckRow form={form} field="untried" about={NAMES.untried!} words="from outside, not tried here" />
        </section>
      </div>
    </SheetFrame>
  );
}
