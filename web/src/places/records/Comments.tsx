import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import { client, data, type Schemas } from '../../api/client';
import { Problem } from '../../parts/Problem';
import { moment } from '../../parts/units';

/** What people said about a revision and its figures, and room to say more. */
export function Comments({ number, revision }: { number: string; revision: Schemas['RecordRevisionView'] }) {
  const queries = useQueryClient();
  const [figure, setFigure] = useState('');
  const [text, setText] = useState('');
  const names = new Map<string, string>(revision.result.figures.map((f) => [f.code, f.name]));
  const say = useMutation({
    mutationFn: () =>
      data(
        client.POST('/api/v1/records/{number}/comments', {
          params: { path: { number } },
          body: { revision: revision.number, figure, text },
        }),
      ),
    onSuccess: (after) => {
      setText('');
      queries.setQueryData(['records', number], after);
    },
  });
  return (
    <section className="comments" aria-label="Comments">
      <h2>Comments</h2>
      {revision.comments.map((c, i) => (
        <p key={i}>
          {c.figure && <b>{names.get(c.figure) ?? c.figure}: </b>}
          {c.text}{' '}
          <span className="muted small">
            {c.by}, {moment(c.at)}
          </span>
        </p>
      ))}
      <div className="say noprint">
        <Select
          aria-label="Comment about"
          value={figure}
          onChange={setFigure}
          showSearch={{ optionFilterProp: 'label' }}
          options={[{ value: '', label: 'the whole' }, ...[...names].map(([value, label]) => ({ value, label }))]}
        />
        <Input.TextArea
          aria-label="Comment"
          placeholder="say something about it"
          autoSize={{ minRows: 1, maxRows: 5 }}
          maxLength={2000}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
        <Button disabled={!text.trim()} loading={say.isPending} onClick={() => say.mutate()}>
          Say it
        </Button>
      </div>
      <Problem error={say.error} />
    </section>
  );
}
