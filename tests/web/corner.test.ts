import { describe, expect, test } from 'vitest';
import { Corner } from '../../web/src/places/calculate/pictures/CornerView';

const apart = ([ax, ay]: readonly number[], [bx, by]: readonly number[]) => Math.hypot(ax! - bx!, ay! - by!);

describe('the corner as it is drawn', () => {
  test.each([20, 60, 90, 135, 179])('its rounding touches both walls at %s°, with its middle where it was asked for', (angle) => {
    const corner = new Corner([238, 66], 40, angle);
    const centre = corner.centre(0, 40);
    const [first, last] = corner.ends(0, 40);
    expect(apart(centre, first)).toBeCloseTo(40, 9);
    expect(apart(centre, last)).toBeCloseTo(40, 9);
    expect(apart(centre, [238, 66])).toBeCloseTo(40, 9);
    // The rounding turns by what the angle of the walls leaves of half a turn.
    expect(apart(first, last)).toBeCloseTo(80 * Math.cos((angle * Math.PI) / 360), 9);
    expect(first[1]).toBeCloseTo(centre[1] - 40, 9);
  });

  test('stock beside it is as wide everywhere, and has the same centre while its rounding lasts', () => {
    const corner = new Corner([238, 66], 40, 70);
    expect(apart(corner.centre(15, 25), corner.centre(0, 40))).toBeCloseTo(0, 9);
    const [inner] = corner.ends(15, 25);
    const [outer] = corner.ends(0, 40);
    expect(apart(inner, outer)).toBeCloseTo(15, 9);
    expect(corner.line(15, 0)).not.toContain('NaN');
  });
});
