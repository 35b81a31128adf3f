import { Button } from 'antd';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { newestOf } from '../../parts/revisions';

/** A draft that somebody else saved meanwhile: what stands on the page can go over it, or theirs is looked at first. */
export function Overtaken(props: { theirs: Schemas['RecordView']; saving: boolean; onMine: (version: string) => void }) {
  const { theirs, saving, onMine } = props;
  const newest = newestOf(theirs);
  const by = newest.events[newest.events.length - 1]?.by ?? newest.proposedBy;
  if (newest.state !== 'draft')
    return (
      <p>
        {theirs.number} is no draft any more. <Link to={`/records/${theirs.number}`}>Look at it</Link>; what you typed stays in this
        address.
      </p>
    );
  return (
    <p className="inline">
      <Button size="small" loading={saving} onClick={() => onMine(String(newest.version))}>
        Save mine over {by}’s
      </Button>
      <Link to={`/records/${theirs.number}`} target="_blank">
        Look at theirs beside mine
      </Link>
    </p>
  );
}
