import { Button } from 'antd';
import { Suspense, useState } from 'react';
import { lazily } from '../../api/busy';
import type { Profile } from '../../parts/outline';

const SolidView = lazily(() => import('../../parts/SolidView'));

/** The view in three dimensions, fetched only when it is opened. */
export function SolidPanel({ profile, label }: { profile: Profile; label: string }) {
  const [open, setOpen] = useState(false);
  return (
    <section className="solid-panel">
      <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'Close the three-dimensional view' : 'Turn it in three dimensions'}
      </Button>
      {open && (
        <Suspense fallback={<p className="muted hint">Fetching the view…</p>}>
          <SolidView profile={profile} label={label} />
        </Suspense>
      )}
    </section>
  );
}
