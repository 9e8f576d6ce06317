/** The field of a signal that is a zoom in any unit. */
import { safeParse } from 'valibot';
import { maybeNumber, refuse, type OptionalField } from '../devices/index.ts';
import { SPAN, spanSchema, type Span } from '../settings/index.ts';

const worldUnits = maybeNumber(1e-12, 1e12);
const amount = { type: 'number' };

/** Returns whether it is a zoom in any unit, as settings have it. */
export function isSpan(value: unknown): value is Span {
  return safeParse(spanSchema, value).success;
}

/** A zoom in any unit. */
export const span: OptionalField<Span> = {
  optional: true,
  clean: (value, path, signal) => {
    if (typeof value !== 'object') return worldUnits.clean(value, path, signal);
    return isSpan(value) ? value : refuse(path, value, SPAN);
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
