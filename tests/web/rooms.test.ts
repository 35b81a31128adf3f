/// <reference types="vite/client" />
import { expect, test } from 'vitest';

// Each uses only what stands before it.
const PLACES = [
  'firstday',
  'history',
  'guide',
  'accounts',
  'calculate',
  'editions',
  'coverage',
  'records',
  'library',
  'lookup',
  'shop',
  'gallery',
];
const ROOMS = ['api', 'parts', ...PLACES.map((place) => `places/${place}`), 'app'];
// A program of its own for laid-out editions, the worker that keeps pages, and where everything begins.
const BESIDE = ['reader', 'sw.ts', 'main.tsx'];

const SOURCE = '../../web/src/';
const files = import.meta.glob<string>('../../web/src/**/*.{ts,tsx}', { query: '?raw', import: 'default', eager: true });

const roomOf = (path: string) => /^(places\/)?[^/]+/.exec(path)![0];
const standsAt = (file: string, named: string) => new URL(named, `file:///${file}`).pathname.slice(1);
const arrows = Object.entries(files).flatMap(([path, text]) => {
  const file = path.slice(SOURCE.length);
  return [...text.matchAll(/(?:from|import\()\s*'(\.[^']*)'/g)].map((m) => ({ file, to: roomOf(standsAt(file, m[1]!)) }));
});

test('each room of the page uses only what stands before it', () => {
  const inside = arrows.filter((a) => !BESIDE.includes(roomOf(a.file)));
  expect(inside.length).toBeGreaterThan(500);
  expect(inside.filter((a) => ROOMS.indexOf(a.to) > ROOMS.indexOf(roomOf(a.file))).map((a) => `${a.file} uses ${a.to}`)).toEqual([]);
});

test('every room is on the list', () => {
  expect(
    Object.keys(files)
      .map((path) => roomOf(path.slice(SOURCE.length)))
      .filter((room) => ![...ROOMS, ...BESIDE].includes(room)),
  ).toEqual([]);
});
