export {
  checkFunction,
  checkList,
  checkMade,
  checkNumber,
  checkObject,
  checkOneOf,
  checkView,
  refuse,
  refuseRange,
} from './checks.ts';
export { sentence, shortened, shown, type Problem } from './sentence.ts';
export { Problems, type Refuse } from './problems.ts';
