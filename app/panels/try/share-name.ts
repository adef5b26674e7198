/** Shares of the light that are told, in words. */
export const shareName = ['half', 'a tenth', 'a hundredth'] as const;
