import type { CoachRecord } from '../../../core/kinds/coach/record';
import type { PanelProps, PictureProps } from '../face';

/** What the panels and pictures of a coach get. */
export type CoachProps = PanelProps<CoachRecord>;
export type CoachPictureProps = PictureProps<CoachRecord>;
