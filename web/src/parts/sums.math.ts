import {
  addDependencies,
  create,
  divideDependencies,
  evaluateDependencies,
  multiplyDependencies,
  subtractDependencies,
  unaryMinusDependencies,
  unaryPlusDependencies,
  type FactoryFunctionMap,
} from 'mathjs/number';

// The library's parser over plain numbers; its types admit that a part may be missing.
const math = create({
  addDependencies,
  divideDependencies,
  evaluateDependencies,
  multiplyDependencies,
  subtractDependencies,
  unaryMinusDependencies,
  unaryPlusDependencies,
} as FactoryFunctionMap);

export const evaluate = (sum: string): unknown => math.evaluate(sum);
