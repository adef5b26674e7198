import { execFileSync } from 'node:child_process';

/** Whether a compiler is on the machine. */
export const has = (compiler: string): boolean => {
  try {
    execFileSync(compiler, ['--version'], { stdio: 'ignore' });
    return true;
  } catch {
    return false;
  }
};
