import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, NavLink, useLocation, useNavigate, useParams } from 'react-router';
import { client, data } from '../../api/client';
import { Problem } from '../../parts/Problem';

/** The guide that ships with the program, page by page. */
export function GuidePage() {
  const { page } = useParams();
  const { hash } = useLocation();
  const navigate = useNavigate();
  const titles = useQuery({ queryKey: ['guide'], queryFn: () => data(client.GET('/api/v1/guide')), staleTime: Infinity });
  const slug = page ?? titles.data?.[0]?.slug;
  const shown = useQuery({
    queryKey: ['guide', slug],
    queryFn: () => data(client.GET('/api/v1/guide/{slug}', { params: { path: { slug: slug! } } })),
    enabled: slug !== undefined,
    staleTime: Infinity,
    retry: false,
  });
  const html = shown.data?.html;
  useEffect(() => {
    if (html && hash) document.getElementById(decodeURIComponent(hash.slice(1)))?.scrollIntoView();
  }, [html, hash]);
  return (
    <div className="page guide-page">
      <nav aria-label="Pages of the guide">
        <p>
          <Link to="/first-day">The first day</Link>
        </p>
        <ol>
          {(titles.data ?? []).map((t) => (
            <li key={t.slug}>
              <NavLink to={`/guide/${t.slug}`} aria-current={t.slug === slug ? 'page' : undefined}>
                {t.title}
              </NavLink>
            </li>
          ))}
        </ol>
      </nav>
      <article className="guide-text">
        <Problem error={titles.error ?? shown.error} />
        {html && (
          // The text is the program's own; links within it lead to pages without fetching everything anew.
          <div
            dangerouslySetInnerHTML={{ __html: html }}
            onClick={(e) => {
              const to = (e.target as HTMLElement).closest('a')?.getAttribute('href');
              if (!to?.startsWith('/') || to.startsWith('/api') || e.metaKey || e.ctrlKey) return;
              e.preventDefault();
              void navigate(to);
            }}
          />
        )}
      </article>
    </div>
  );
}
