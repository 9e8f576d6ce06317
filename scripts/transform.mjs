/**
 * TypeScript to JavaScript for Jest, with what is global bound once in each module: Jest runs tests in a context in which
 * every look at a global, such as `Math`, costs as much as a hundred multiplications.
 */
import swc from '@swc/jest';

const GLOBALS = [
  'Array',
  'DataView',
  'Float64Array',
  'Infinity',
  'Int32Array',
  'JSON',
  'Map',
  'Math',
  'NaN',
  'Number',
  'Object',
  'Set',
  'String',
  'Uint16Array',
  'Uint8Array',
];
const BOUND = `const ${GLOBALS.map((name) => `${name} = globalThis.${name}`).join(', ')}; `;

export default {
  createTransformer(options) {
    const inner = swc.createTransformer(options);
    const bind = (result) => ({ ...result, code: BOUND + result.code });
    return {
      ...inner,
      process: (...call) => bind(inner.process(...call)),
      processAsync: async (...call) => bind(await inner.processAsync(...call)),
      getCacheKey: (...call) => `${inner.getCacheKey(...call)}${String(BOUND.length)}`,
    };
  },
};
