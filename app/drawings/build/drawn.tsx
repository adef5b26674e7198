interface DrawnProps {
  /** Made by core, which escapes every text that goes into it. */
  readonly svg: string;
  readonly className?: string;
}

/** A drawing that core has made, as it is saved and printed. */
export const Drawn = ({ svg, className }: DrawnProps) => (
  <div className={className} dangerouslySetInnerHTML={{ __html: svg }} />
);
