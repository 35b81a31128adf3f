import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { NavLink, useLocation, useNavigate } from 'react-router';
import { client, data } from '../api/client';
import { LOOKS, useLook } from '../parts/looks';
import { Mark } from '../parts/Mark';
import { useApp, useMayWork } from '../parts/session';

const MINUTE = 60_000;

/** The one bar on top: mark, places, search, units, person. It needs no library of components, so that Lookup is there at once. */
export default function Bar() {
  const { units, setSystem } = useApp();
  const mayWork = useMayWork();
  const { pathname } = useLocation();
  const waiting =
    useQuery({
      queryKey: ['records', 'list', 'waiting'],
      queryFn: () => data(client.GET('/api/v1/records/waiting')),
      enabled: mayWork,
      refetchInterval: MINUTE,
    }).data ?? 0;
  const places = [
    ['library', 'Library'],
    ['shop', 'Shop'],
    ...(mayWork
      ? [
          ['calculate', 'Calculate'],
          ['records', 'Records'],
        ]
      : []),
    ['editions', 'Editions'],
    ['lookup', 'Lookup'],
  ] as const;
  return (
    <header className="bar">
      <NavLink to="/" className="brand" aria-label="Incisura, first page">
        <Mark /> <span>Incisura</span>
      </NavLink>
      <nav aria-label="Places">
        {places.map(([path, name]) => (
          <NavLink key={path} to={`/${path}`} aria-current={pathname.startsWith(`/${path}`) ? 'page' : undefined}>
            {name}
            {path === 'records' && waiting > 0 && <sup title={`${waiting} wait for you`}>{waiting}</sup>}
          </NavLink>
        ))}
      </nav>
      <SearchBox />
      <div className="systems" role="group" aria-label="Units">
        {(['mm', 'in'] as const).map((system) => (
          <button key={system} aria-pressed={units.system === system} onClick={() => setSystem(system)}>
            {system}
          </button>
        ))}
      </div>
      <PersonMenu />
    </header>
  );
}

const fetchSearch = () => import('./Search');
type SearchType = Awaited<ReturnType<typeof fetchSearch>>['default'];

// A plain box until somebody enters it; then the one that finds, with what was typed meanwhile. The one takes the place of the
// other in a single step, when it is there: between the two no key would have a box to go to.
function SearchBox() {
  const [text, setText] = useState('');
  const [Search, setSearch] = useState<SearchType>();

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const target = e.target as HTMLElement;
      if (e.key !== '/' || target.closest('input, textarea, [contenteditable]')) return;
      e.preventDefault();
      document.getElementById('search')?.focus();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);

  if (Search) return <Search text={text} onText={setText} />;
  return (
    <input
      id="search"
      className="search"
      role="combobox"
      aria-expanded={false}
      aria-label="Find anything"
      aria-keyshortcuts="/"
      placeholder="find anything   /"
      value={text}
      onPointerEnter={() => void fetchSearch()}
      onFocus={() => void fetchSearch().then((module) => setSearch(() => module.default))}
      onChange={(e) => setText(e.target.value)}
    />
  );
}

function PersonMenu() {
  const { session, signOut } = useApp();
  const { choice, choose } = useLook();
  const navigate = useNavigate();
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const item = (words: ReactNode, act: () => void) => (
    <button
      onClick={() => {
        setOpen(false);
        act();
      }}
    >
      {words}
    </button>
  );
  return (
    <div
      className="person"
      onBlur={(e) => !e.currentTarget.contains(e.relatedTarget) && setOpen(false)}
      onKeyDown={(e) => {
        if (e.key !== 'Escape' || !open) return;
        setOpen(false);
        button.current?.focus();
      }}
    >
      <button ref={button} aria-expanded={open} aria-controls="person" onClick={() => setOpen(!open)}>
        {session!.fullName}
      </button>
      {open && (
        <div id="person" tabIndex={-1}>
          <p>
            Signed in as {session!.role}
            {session!.inPlaceOf && ` in place of ${session!.inPlaceOf}`}
          </p>
          {session!.role === 'administrator' && item('People', () => void navigate('/people'))}
          {session!.role !== 'reader' && item('History of changes', () => void navigate('/history'))}
          {session!.role !== 'reader' && item('Absences', () => void navigate('/absences'))}
          {item('Mail', () => void navigate('/mail'))}
          {item('Your account', () => void navigate('/account'))}
          {item('Guide', () => void navigate('/guide'))}
          <fieldset>
            <legend>Look</legend>
            {LOOKS.map(([code, words]) => (
              <label key={code}>
                <input type="radio" name="look" checked={choice === code} onChange={() => choose(code)} /> {words}
              </label>
            ))}
          </fieldset>
          {item('Sign out', () => void signOut().then(() => navigate('/')))}
        </div>
      )}
    </div>
  );
}
