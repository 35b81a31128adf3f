import { useQuery } from '@tanstack/react-query';
import { AutoComplete, Button, Dropdown } from 'antd';
import { useEffect, useState } from 'react';
import { NavLink, useLocation, useNavigate } from 'react-router';
import { client, data } from '../api/client';
import { LOOKS, useLook } from './looks';
import { Mark } from './Mark';
import { useApp, useMayWork } from './session';

/** The one bar on top: mark, places, search, units, person. */
export default function Bar() {
  const { session, units, setSystem, signOut } = useApp();
  const mayWork = useMayWork();
  const { choice, choose } = useLook();
  const navigate = useNavigate();
  const { pathname } = useLocation();
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
          </NavLink>
        ))}
      </nav>
      <Search />
      <div className="systems" role="group" aria-label="Units">
        {(['mm', 'in'] as const).map((system) => (
          <button key={system} aria-pressed={units.system === system} onClick={() => setSystem(system)}>
            {system}
          </button>
        ))}
      </div>
      <Dropdown
        trigger={['click']}
        menu={{
          items: [
            { key: 'role', label: `Signed in as ${session!.role}`, disabled: true },
            ...(session!.role === 'administrator' ? [{ key: 'people', label: 'People' }] : []),
            { key: 'password', label: 'Your password' },
            {
              key: 'look',
              type: 'group',
              label: 'Look',
              children: LOOKS.map(([code, words]) => ({ key: `look-${code}`, label: code === choice ? `${words} ✓` : words })),
            },
            { key: 'out', label: 'Sign out' },
          ],
          onClick: ({ key }) => {
            const look = LOOKS.find(([code]) => key === `look-${code}`);
            if (look) choose(look[0]);
            else if (key === 'out') void signOut().then(() => navigate('/'));
            else void navigate(`/${key}`);
          },
        }}
      >
        <Button type="text" className="person">
          {session!.fullName}
        </Button>
      </Dropdown>
    </header>
  );
}

function Search() {
  const [text, setText] = useState('');
  const navigate = useNavigate();
  const found = useQuery({
    queryKey: ['find', text],
    queryFn: () => data(client.GET('/api/v1/find', { params: { query: { q: text } } })),
    enabled: text.trim().length > 0,
  });

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

  return (
    <AutoComplete
      id="search"
      className="search"
      aria-label="Find anything"
      placeholder="find anything   /"
      value={text}
      onSearch={setText}
      defaultActiveFirstOption
      notFoundContent={text.trim() && found.isSuccess ? 'Nothing has these words.' : null}
      options={(found.data ?? []).map((f) => ({
        value: f.path,
        label: (
          <span className="found">
            <b>{f.name}</b> <span>{f.about}</span> <i>{f.kind}</i>
          </span>
        ),
      }))}
      onSelect={(path: string) => {
        setText('');
        void navigate(path);
      }}
    />
  );
}
