/**
 * How a file of version N becomes one of version N + 1, by N. Version 1 is the first, so there is
 * nothing to do yet; the step from 1 goes here when version 2 comes.
 */
export const migrations: Readonly<Record<number, (old: Record<string, unknown>) => Record<string, unknown>>> =
  {};
