import { DownloadOutlined } from '@ant-design/icons';
import { Button, Segmented } from 'antd';
import { Suspense, useRef, useState } from 'react';
import { saveDrawings } from '../drawings/save-drawing';
import type { Face, PictureProps } from '../kinds/face';

interface PicturesProps {
  readonly face: Face;
  readonly stage: string;
  readonly of: PictureProps;
}

/**
 * The drawings of a job: the one that goes with the stage until another is chosen. A segmented choice
 * rather than the library's tabs, which bring a menu of their own for tabs that do not fit.
 */
export function Pictures({ face, stage, of }: PicturesProps) {
  const body = useRef<HTMLDivElement>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const there = face.pictures.filter((p) => p.when?.(of.solved.bench, stage) ?? true);
  const wanted = chosen ?? face.stages.find((s) => s.id === stage)!.picture;
  const { id, name, Picture, savesItself } = there.find((p) => p.id === wanted) ?? there[0];
  return (
    <section className="picture" aria-label="Drawings of the job">
      <div className="pictures">
        <Segmented
          aria-label="Drawing"
          options={there.map((p) => ({ value: p.id, label: p.name }))}
          value={id}
          onChange={setChosen}
        />
        {!savesItself && (
          <Button
            type="text"
            icon={<DownloadOutlined />}
            className="print-button"
            aria-label="Save the drawing as SVG"
            title="Save as SVG"
            onClick={() => body.current && saveDrawings(body.current, `${of.jobId}-${id}`)}
          />
        )}
      </div>
      <div ref={body} className="picture-body" tabIndex={0} role="region" aria-label={name}>
        {of.solved.failure && <p className="field-refusal">{of.solved.failure}</p>}
        <Suspense fallback={<p className="stale-note">Opening…</p>}>
          <Picture {...of} />
        </Suspense>
      </div>
    </section>
  );
}
