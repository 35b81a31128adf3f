import { describe, expect, it } from 'vitest';
import { foremost, recordsIn, said, short } from '../../web/src/places/coverage/marks';

const none = { approved: 0, stopped: 0, stale: 0, inReview: 0, draft: 0, withdrawn: 0, lookedFor: 0 };

describe('what a cell says', () => {
  it('shows each way to stand by a mark of its own with its number, the gravest first', () => {
    expect(short(undefined)).toBe('');
    expect(short({ ...none, approved: 3 })).toBe('●3');
    expect(short({ ...none, approved: 3, stale: 1 })).toBe('!1 ●3');
    expect(short({ ...none, approved: 3, stale: 1, draft: 2 })).toBe('!1 ●3+');
    expect(short({ ...none, lookedFor: 4 })).toBe('?4');
  });
  it('says the same in words, and counts records without what was only looked for', () => {
    expect(said(undefined)).toBe('none');
    expect(said({ ...none, inReview: 2, lookedFor: 1 })).toBe('2 in review, 1 looked for, not found');
    expect(recordsIn({ ...none, inReview: 2, lookedFor: 1 })).toBe(2);
    expect(foremost({ ...none, inReview: 2, stale: 1 })).toBe('stale');
    expect(foremost(none)).toBeUndefined();
  });
});
