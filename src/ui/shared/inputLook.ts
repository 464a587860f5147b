export const inputLook =
  'h-[26px] min-w-0 rounded-sm border border-line bg-white px-2 hover:border-soft aria-invalid:border-bad';
