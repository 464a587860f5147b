/** #rrggbb, lower case. */
export type Hex = string;
