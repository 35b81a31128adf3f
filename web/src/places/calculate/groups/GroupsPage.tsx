import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { Link, useNavigate } from 'react-router';
import { client, data } from '../../../api/client';
import { useMayWork, useUnits } from '../../../parts/session';
import { Problem } from '../../../parts/Problem';
import { useMachines, useMaterials } from '../../../parts/shelf';
import { day } from '../../../parts/units';
import { countOf, FORMS, targetWords } from './words';

/** All groups of alike holes. */
export function GroupsPage() {
  const navigate = useNavigate();
  const mayWork = useMayWork();
  const units = useUnits();
  const groups = useQuery({ queryKey: ['hole-groups'], queryFn: () => data(client.GET('/api/v1/hole-groups')) });
  const materials = useMaterials().data ?? [];
  const machines = useMachines().data ?? [];
  return (
    <div className="page">
      <div className="heading">
        <h1>Hole groups</h1>
        {mayWork && (
          <Button type="primary" onClick={() => void navigate('/calculate/groups/new')}>
            New group
          </Button>
        )}
      </div>
      <p className="muted">
        Alike holes of a part: what each becomes, with which cutters of the library, where they lie, in which order and how long it takes.
      </p>
      <Problem error={groups.error} />
      {groups.data?.length === 0 && <p className="hint muted">There is no group yet. Make one from the drawing of a part.</p>}
      {(groups.data?.length ?? 0) > 0 && (
        <table className="courses wide" aria-label="Hole groups">
          <thead>
            <tr>
              <th>group</th>
              <th>each hole</th>
              <th>holes</th>
              <th>in</th>
              <th>on</th>
              <th>changed</th>
            </tr>
          </thead>
          <tbody>
            {groups.data!.map((g) => (
              <tr key={g.id}>
                <th>
                  <Link to={`/calculate/groups/${g.id}`}>{g.definition.name}</Link>
                </th>
                <td>{targetWords(g.definition.target!, (mm) => units.size(mm))}</td>
                <td>
                  {countOf(g.definition.pattern!)} {FORMS[g.definition.pattern!.form!]}
                </td>
                <td>{materials.find((m) => m.id === g.definition.materialId)?.definition.name}</td>
                <td>{machines.find((m) => m.id === g.definition.machineId)?.definition.name}</td>
                <td>
                  {g.changedBy}, {day(g.changedAt)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
