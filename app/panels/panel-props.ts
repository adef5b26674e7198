import type { Layout } from '../../core/document/layout';
import type { Solved } from '../store/use-solved';

/** What every stage's panel of choices gets. */
export interface PanelProps {
  readonly layout: Layout;
  readonly jobId: string;
  readonly solved: Solved;
}
