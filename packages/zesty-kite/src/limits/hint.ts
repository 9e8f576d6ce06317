/** The edges of a shape that limited a span, by their numbers: a search for a similar look begins with them. */
export class Hint {
  /** -1 for none. */
  first = -1;
  second = -1;
  third = -1;

  copyFrom({ first, second, third }: Readonly<Hint>): void {
    this.first = first;
    this.second = second;
    this.third = third;
  }
}
