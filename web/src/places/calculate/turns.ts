import type { Schemas } from '../../api/client';

export type Turn = 'window' | 'load' | 'bend' | 'passes' | 'stages' | 'drills' | 'tray' | 'derivation';

/** What can be looked at in turn below the picture, with its words. */
export function turnsOf(operation: Schemas['OperationDescription'] | undefined, isHole: boolean, pinned: number): [Turn, string][] {
  const bends = operation?.fields.some((f) => f.code === 'cornerRadius') && operation.picture !== 'corner';
  const all: [boolean, Turn, string][] = [
    [isHole, 'stages', 'Stages'],
    [operation?.picture === 'tap', 'drills', 'Drills on the shelf'],
    [!operation || operation.free.length > 1, 'window', 'Operating window'],
    [operation?.loadOverTurn === true, 'load', 'Load over a turn'],
    [bends === true, 'bend', 'Bend'],
    [!isHole, 'passes', 'Passes'],
    [true, 'derivation', 'Derivation'],
    [true, 'tray', pinned > 0 ? `Tray · ${pinned}` : 'Tray'],
  ];
  return all.filter(([there]) => there).map(([, turn, words]) => [turn, words]);
}
