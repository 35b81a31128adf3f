import type { Schemas } from '../../api/client';

type Day = Schemas['FirstDayView'];
type Role = Schemas['Role'];

/** One thing a first published figure needs. */
export interface Step {
  code: string;
  name: string;
  why: string;
  who: Role[];
  /** Words and pages where it is made, the best first. */
  ways: [words: string, to: string][];
  done: (day: Day) => boolean;
  /** How many there are, in words; empty for none. */
  count: (day: Day) => string;
}

const some = (n: number, one: string, many = `${one}s`) => (n === 0 ? '' : n === 1 ? `1 ${one}` : `${n} ${many}`);
const WORK: Role[] = ['engineer', 'approver'];

/** In the order of the trade. */
export const STEPS: readonly Step[] = [
  {
    code: 'people',
    name: 'People',
    why: 'One proposes and another approves: an engineer and an approver besides you, and readers for the machines.',
    who: ['administrator'],
    ways: [['Add people', '/people']],
    done: (d) => d.decides,
    count: (d) => some(d.people, 'person', 'people'),
  },
  {
    code: 'machine',
    name: 'Machine',
    why: 'Its plate says what the spindle can do; every figure is held to it.',
    who: WORK,
    ways: [['Add a machine', '/shop/machines/new']],
    done: (d) => d.machines > 0,
    count: (d) => some(d.machines, 'machine'),
  },
  {
    code: 'material',
    name: 'Work material',
    why: 'What is cut and how hard it is to cut, each figure with where it comes from.',
    who: WORK,
    ways: [
      ['Take starting values over', '/shop/starters'],
      ['Add a work material', '/shop/materials/new'],
    ],
    done: (d) => d.materials > 0,
    count: (d) => some(d.materials, 'work material'),
  },
  {
    code: 'cutter',
    name: 'Cutter',
    why: 'Type it from the drawing, or bring the list you have in as a table.',
    who: WORK,
    ways: [
      ['Add a cutter', '/library/cutters/new'],
      ['Import a table', '/library/import'],
      ['Take drills over', '/shop/starters?kind=drills'],
    ],
    done: (d) => d.cutters > 0,
    count: (d) => some(d.cutters, 'cutter'),
  },
  {
    code: 'holder',
    name: 'Holder',
    why: 'What grips the cutter, its outline and its highest speed.',
    who: WORK,
    ways: [
      ['Add a holder', '/library/holders/new'],
      ['Take holders over', '/shop/starters?kind=holders'],
    ],
    done: (d) => d.holders > 0,
    count: (d) => some(d.holders, 'holder'),
  },
  {
    code: 'assembly',
    name: 'Assembly',
    why: 'The cutter in its holder, and how far it stands out: that decides how much it bends.',
    who: WORK,
    ways: [['Put an assembly together', '/library/assemblies/new']],
    done: (d) => d.assemblies > 0,
    count: (d) => some(d.assemblies, 'assembly', 'assemblies'),
  },
  {
    code: 'chart',
    name: 'Rows of the speed chart',
    why: 'Where cutting speed and feed start from, by family of cutter, material and operation.',
    who: WORK,
    ways: [
      ['Take rows over', '/shop/starters?kind=rows'],
      ['Open the speed chart', '/shop/charts'],
    ],
    done: (d) => d.rows > 0,
    count: (d) => some(d.rows, 'row'),
  },
  {
    code: 'record',
    name: 'First record',
    why: 'Calculate one operation, keep it as a draft record, and submit it for review.',
    who: WORK,
    ways: [['Calculate', '/calculate']],
    done: (d) => d.records > 0,
    count: (d) => some(d.records, 'record'),
  },
  {
    code: 'approval',
    name: 'Approval',
    why: 'An approver who did not work on it reads it, and says why each caution may stand.',
    who: ['approver'],
    ways: [['Open the records', '/records']],
    done: (d) => d.approved > 0 || d.editions > 0,
    count: (d) => (d.approved > 0 ? `${d.approved} approved` : ''),
  },
  {
    code: 'edition',
    name: 'First edition',
    why: 'Published, signed, and found in Lookup by everybody at a machine.',
    who: ['approver'],
    ways: [['Publish an edition', '/editions']],
    done: (d) => d.editions > 0,
    count: (d) => some(d.editions, 'edition'),
  },
];
