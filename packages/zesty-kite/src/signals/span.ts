/** The field of a signal that is a zoom in any unit. */
import { maybeNumber, refuseField, type OptionalField } from '../devices/index.ts';
import { isSpan, SPAN, type Span } from '../settings/index.ts';

const worldUnits = maybeNumber(1e-12, 1e12);
const amount = { type: 'number' };

/** A zoom in any unit. */
export const span: OptionalField<Span> = {
  optional: true,
  clean: (value, path, signal) => {
    if (typeof value !== 'object') return worldUnits.clean(value, path, signal);
    return isSpan(value) ? value : refuseField(path, value, SPAN);
  },
  schema: {
    anyOf: [
      worldUnits.schema,
      {
        type: 'object',
        properties: { pixelsPerUnit: amount, eyeHeight: amount, fieldOfView: amount },
        additionalProperties: false,
        minProperties: 1,
        maxProperties: 1,
      },
    ],
  },
};
