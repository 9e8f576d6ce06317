export {
  checkFunction,
  checkList,
  checkMade,
  checkNumber,
  checkObject,
  checkOneOf,
  checkView,
  refuse,
} from './checks.ts';
export { sentence, shown, type Problem } from './sentence.ts';
