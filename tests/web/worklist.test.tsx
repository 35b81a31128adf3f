// @vitest-environment jsdom
import { screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it, vi } from 'vitest';
import { client, type Schemas } from '../../web/src/api/client';
import { Settle } from '../../web/src/places/records/Settle';
import { Cautions, TermsFields } from '../../web/src/places/records/Terms';
import { show } from './shown';

type Summary = Schemas['RecordSummary'];
const situation = {
  operation: 'slot',
  operationName: 'Slot milling',
  material: 'S355',
  group: 'P',
  condition: '',
  hardness: 160,
  assembly: 'A-1010',
  diameter: 10,
  teeth: 4,
  turning: false,
  projection: 34,
  holder: 'collet holder',
  machine: 'Brindle',
} as unknown as Summary['situation'];
const row = (number: string): Summary =>
  ({
    number,
    revision: 1,
    state: 'approved',
    sentBack: false,
    version: 3,
    situation,
    staleBy: ['machine Brindle'],
    broken: false,
    breaks: null,
    refused: '',
    foremost: null,
    moved: 0.1,
    ended: false,
    endsOn: null,
  }) as unknown as Summary;
const record = (number: string, keep: string) => ({
  number,
  notRenewed: '',
  inForce: 1,
  revisions: [
    {
      number: 1,
      can: [
        { act: 'keep', rule: keep && 'role', whyNot: keep, against: [] },
        { act: 'withdraw', rule: '', whyNot: '', against: [] },
      ],
    },
  ],
});

function worked(keep: string) {
  const shown = show(<Settle rows={[row('R-0001'), row('R-0002')]} />);
  shown.queries.setQueryData(['records', 'R-0001'], record('R-0001', keep));
  shown.queries.setQueryData(['records', 'R-0002'], record('R-0002', keep));
  return shown;
}

describe('records worked through by keys', () => {
  it('says in the words of the server why a key does nothing, and offers no button for it', async () => {
    const { hands } = worked('Only an approver keeps.');
    screen.getByRole('grid').focus();
    await hands.keyboard('k');
    expect((await screen.findByRole('alert')).textContent).toContain('Only an approver keeps.');
    expect(screen.queryByRole('button', { name: 'Keep…' })).toBeNull();
    expect(screen.getByRole('button', { name: 'Withdraw…' })).toBeTruthy();
  });

  it('asks for the reason, leaves it by Escape, and keeps it for the next record', async () => {
    const { hands } = worked('');
    screen.getByRole('grid').focus();
    await hands.keyboard('k');
    const box = await screen.findByLabelText('Why R-0001 still holds');
    await waitFor(() => expect(document.activeElement).toBe(box));
    await hands.keyboard('runs every week{Escape}');
    expect(document.activeElement).toBe(screen.getByRole('grid'));
    await hands.keyboard('{ArrowDown}w');
    expect((await screen.findByLabelText<HTMLInputElement>('Why R-0002 is withdrawn')).value).toBe('runs every week');
  });

  it('sends what was asked for, with the version that was seen, and says what was done', async () => {
    const post = vi.spyOn(client, 'POST').mockResolvedValue({ data: record('R-0001', ''), response: new Response() });
    const { hands } = worked('');
    screen.getByRole('grid').focus();
    await hands.keyboard('k');
    await screen.findByLabelText('Why R-0001 still holds');
    await hands.keyboard('as before{Enter}');
    expect(await screen.findByText('Done: R-0001 kept.')).toBeTruthy();
    expect(post).toHaveBeenCalledExactlyOnceWith('/api/v1/records/{number}/keep', {
      params: { path: { number: 'R-0001' } },
      headers: { 'If-Match': '"3"' },
      body: { text: 'as before', accepted: null, terms: null },
    });
    post.mockRestore();
  });
});

describe('what stands beside the figures', () => {
  function Fields() {
    const [value, setValue] = useState<Schemas['GivenTerms']>({
      evidence: { kind: 'triedAtMachine', source: '' },
      until: null,
      pieces: null,
    });
    return (
      <>
        <TermsFields value={value} onChange={setValue} />
        <output>{JSON.stringify(value)}</output>
      </>
    );
  }
  const told = () => JSON.parse(screen.getByRole('status').textContent) as Schemas['GivenTerms'];

  it('takes a number of pieces as digits only, and none where it is empty', async () => {
    const { hands } = show(<Fields />);
    const pieces = screen.getByLabelText('Holds for pieces');
    await hands.type(pieces, '1a2.5');
    expect(told().pieces).toBe(125);
    await hands.clear(pieces);
    expect(told().pieces).toBeNull();
    await hands.type(screen.getByLabelText('Source of the evidence'), 'job 7');
    expect(told().evidence).toEqual({ kind: 'triedAtMachine', source: 'job 7' });
  });

  it('shows why each caution may stand, and says where nobody accepted it', () => {
    const caution = (key: string, reason: string | null): Schemas['CautionView'] => ({
      key,
      finding: { code: key, severity: 'caution', text: { template: `Says ${key}`, measures: [] }, cure: '' },
      acceptance: reason === null ? null : { code: key, text: key, reason, by: 'tobiah' },
    });
    show(<Cautions cautions={[caution('a', 'thin wall'), caution('b', null)]} reasons={{}} />);
    const items = screen.getAllByRole('listitem');
    expect(items[0]!.textContent).toContain('Says a');
    expect(items[0]!.textContent).toContain('thin wall (tobiah)');
    expect(items[1]!.textContent).toContain('Nobody has accepted it.');
  });
});
