/** So many of a row of the catalogue, or metres of it. */
export interface Part {
  item: string;
  count: number;
}
