/** Which program this is: what belongs together says the same. */
export const PROGRAM = String(import.meta.env.VITE_PROGRAM ?? 'in the making');
