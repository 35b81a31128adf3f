import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { Link, useNavigate } from 'react-router';
import { ApiError, client, data, type Schemas } from '../../api/client';
import { Findings } from '../../parts/Findings';
import { Problem } from '../../parts/Problem';
import { bare, writeAddress } from './address';
import { Overtaken } from './Overtaken';
import type { Page } from './page';
import { requestOf, type Choices } from './request';
import type { Address } from './useAddress';
import { useTray } from './useTray';

/** What the calculation noticed, and where it goes from here: onto the tray, or into a draft record with a note. */
export function Keeping(props: { address: Address; page: Page | null; choices: Choices; refused: boolean }) {
  const { address, page, choices, refused } = props;
  const { note = '', record, version } = address.chosen;
  const navigate = useNavigate();
  const queries = useQueryClient();
  const tray = useTray();
  const save = useMutation({
    mutationFn: (from: string | undefined): Promise<Schemas['RecordView']> =>
      record
        ? data(
            client.PUT('/api/v1/records/{number}', {
              params: { path: { number: record } },
              headers: { 'If-Match': `"${from}"` },
              body: { ...choices, note },
            }),
          )
        : (data(
            client.POST('/api/v1/records', {
              body: { ...requestOf(page!.situation, choices), operation: page!.situation.operation, note },
            }),
          ) as Promise<Schemas['RecordView']>),
    onSuccess: async (saved) => {
      await queries.invalidateQueries({ queryKey: ['records'] });
      void navigate(`/records/${saved.number}`);
    },
  });
  const refusal = save.error instanceof ApiError ? save.error : null;
  const overtaken = refusal?.status === 412 ? (refusal.problem.current as Schemas['RecordView']) : null;
  const openRevision = refusal?.problem.rule === 'open-revision' ? /R-\d+/.exec(refusal.message)?.[0] : undefined;
  const pin = () => {
    tray.pin({
      name: page!.assembly.definition.number,
      address: writeAddress(bare(address.chosen)),
      alternative: { operation: page!.situation.operation, request: requestOf(page!.situation, choices) },
    });
    address.adjust({ show: 'tray' });
  };
  const ready = page !== null && !refused;
  return (
    <footer className="keep" aria-label="Findings and keeping" role="region" data-region tabIndex={-1}>
      <h2 className="sr">Findings, and keeping</h2>
      <div className="scroll" tabIndex={0} role="status" aria-label="What the calculation noticed">
        {page && <Findings findings={page.result.findings} refused={refused} />}
      </div>
      <div>
        <Input.TextArea
          aria-label="Why these figures: a note for the record"
          placeholder="why these figures: a note for the record"
          rows={2}
          maxLength={2000}
          value={note}
          onChange={(e) => address.change('note', { note: e.target.value })}
        />
        <Problem error={save.error} />
        {openRevision && <Link to={`/records/${openRevision}`}>Open {openRevision}</Link>}
        {overtaken && <Overtaken theirs={overtaken} saving={save.isPending} onMine={(from) => save.mutate(from)} />}
      </div>
      <div className="acts">
        <Button block disabled={!ready || tray.full} onClick={pin} title={tray.full ? 'Eight are pinned; unpin one first.' : undefined}>
          Pin to the tray
        </Button>
        <Button type="primary" block disabled={!ready} loading={save.isPending} onClick={() => save.mutate(version)}>
          {record ? `Save draft ${record}` : 'Save as draft record'}
        </Button>
        {record && (
          <span className="beside">
            <Link to={`/records/${record}`}>Back to {record}</Link>
            <button
              className="why"
              aria-label="go on as a new one"
              title="A draft keeps its operation, material, assembly and machine; a new one can have others."
              onClick={() => address.change('record', { record: undefined, version: undefined })}
            >
              as a new one
            </button>
          </span>
        )}
      </div>
    </footer>
  );
}
