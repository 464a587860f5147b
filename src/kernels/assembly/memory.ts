/** Where memory begins that the module does not use itself. */
export function freeFrom(): usize {
  return __heap_base;
}
