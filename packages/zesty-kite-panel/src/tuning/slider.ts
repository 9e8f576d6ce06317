/** The way of a slider, 0 to 1, and the value there. */

/** The ends of a slider, and how its way is spread over the values. */
export interface Scale {
  readonly minimum: number;
  readonly maximum: number;
  /** Equal ways are equal factors; from 0 on, nearly so. */
  readonly isLogarithmic: boolean;
}

/** How many times finer a scale that begins at 0 is at its beginning. */
const FINER = 50;
/** The least factor between the ends of a logarithmic scale. */
const LEAST_FACTOR = 4;

/**
 * Returns the scale of a range: logarithmic for times, and for all but angles if the ends are a factor of 4 apart.
 *
 * @param unit of the schema
 */
export function scaleOf([minimum, maximum]: readonly [number, number], unit: string): Scale {
  const isWide = minimum > 0 && maximum / minimum >= LEAST_FACTOR;
  return { minimum, maximum, isLogarithmic: unit !== '°' && (isWide || (unit === 's' && minimum === 0)) };
}

/** Returns the value at a way, rounded to what an eye can tell. */
export function valueOn({ minimum, maximum, isLogarithmic }: Scale, way: number): number {
  if (way <= 0) return minimum;
  if (way >= 1) return maximum;
  if (!isLogarithmic) return rounded(minimum + way * (maximum - minimum), (maximum - minimum) / 400);
  const value = minimum > 0 ? minimum * (maximum / minimum) ** way : (maximum * (FINER ** way - 1)) / (FINER - 1);
  return rounded(value, Math.max(value, maximum / FINER) / 100);
}

/** Returns the way at a value; values beyond the ends are at the ends. */
export function wayOf({ minimum, maximum, isLogarithmic }: Scale, value: number): number {
  if (!(value > minimum)) return 0;
  if (value >= maximum) return 1;
  if (!isLogarithmic) return (value - minimum) / (maximum - minimum);
  return minimum > 0
    ? Math.log(value / minimum) / Math.log(maximum / minimum)
    : Math.log(1 + (value * (FINER - 1)) / maximum) / Math.log(FINER);
}

/**
 * Returns the nearest multiple of 1, 2 or 5 times a power of ten that is at most a grain.
 *
 * @param grain above 0
 */
export function rounded(value: number, grain: number): number {
  const power = 10 ** Math.floor(Math.log10(grain));
  const step = [5, 2, 1].find((times) => times * power <= grain * (1 + 1e-9)) ?? 1;
  // By whole numbers: 0.1 is no binary fraction.
  const digits = Math.max(0, -Math.floor(Math.log10(power)));
  return Number((Math.round(value / (step * power)) * step * power).toFixed(digits));
}

/** Returns a value with three digits, for the ends of a drawing. */
export function short(value: number): string {
  return String(Number(value.toPrecision(3)));
}
