import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { client, data } from '../../api/client';
import { useUnits } from '../../parts/session';
import { Problem } from '../../parts/Problem';
import { cutterWords, useFamilies } from '../../parts/shelf';
import { helixOf, Silhouette } from '../../parts/Silhouette';

/** Cutters that are probably the same one, entered more than once, with what differs between them. */
export function DuplicatesPage() {
  const units = useUnits();
  const families = useFamilies().data;
  const found = useQuery({ queryKey: ['cutters', 'duplicates'], queryFn: () => data(client.GET('/api/v1/library/cutters/duplicates')) });
  return (
    <div className="page">
      <header>
        <div>
          <Link to="/library/cutters">Cutters</Link>
          <h1>Likely duplicates</h1>
        </div>
      </header>
      <Problem error={found.error} />
      {found.isPending && <p className="muted">Comparing the cutters…</p>}
      {found.data?.length === 0 && <p>No two cutters in use have the same family, material and teeth and nearly the same dimensions.</p>}
      {found.data?.map((group) => (
        <section key={group.cutters[0]!.id} className="card duplicates">
          <b>{cutterWords(group.cutters[0]!.definition, group.cutters[0]!.looks, (mm) => units.size(mm), families)}</b>{' '}
          <span className="muted">{group.differing.length > 0 ? `differ in ${group.differing.join(', ')}` : 'alike in everything'}</span>
          {group.cutters.map((c) => (
            <div key={c.id}>
              <Link to={`/library/cutters/${c.id}`}>{c.definition.number}</Link>
              <Silhouette
                profile={c.looks.profile}
                helix={helixOf(c.definition)}
                scale={Math.min(2, 230 / c.looks.profile.length)}
                width={240}
                height={30}
              />
              <span className="muted">{[c.definition.coating, c.definition.grade, c.definition.remarks].filter(Boolean).join(' · ')}</span>
            </div>
          ))}
        </section>
      ))}
      <p className="muted small">Open the one to give up and retire it; its place in assemblies can go to the other.</p>
    </div>
  );
}
