/**
 * A number handed over in place. Those that functions pass by value an engine may box: allocate anew
 * at each call. In hot code a cell brings the argument and takes back the result.
 */
export class Cell {
  value = NaN;
}
