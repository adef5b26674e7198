import { Button, Empty } from 'antd';
import { templatePapers, templateSvg } from '../../../core/build/template';
import { templatesOf } from '../../../core/kinds/templates';
import { saveFile } from '../../storage/files';
import { Drawn } from './drawn';
import type { PictureProps } from '../../kinds/face';
import './build.css';

/** Papers at full size, to stick on and drill, file or cut by. */
export function TemplatesPicture({ layout, jobId, job }: PictureProps) {
  const templates = templatesOf(layout, job);
  if (templates.length === 0)
    return <Empty description="Nothing is drilled, filed or cut by a template here." />;
  return (
    <div className="templates-view">
      {templates.map((t) => {
        const svg = templateSvg(t);
        return (
          <figure key={t.id}>
            <figcaption>
              <b>{t.name}</b> {t.says}
            </figcaption>
            {templatePapers(t).map((paper) => (
              <Drawn key={paper} svg={paper} className="template-paper" />
            ))}
            <Button onClick={() => saveFile(`${jobId}-${t.id}.svg`, svg, 'image/svg+xml')}>
              Save {t.name} as SVG
            </Button>
          </figure>
        );
      })}
      <div className="button-row">
        <Button className="print-button" onClick={() => print()}>
          Print at 100 %
        </Button>
      </div>
    </div>
  );
}
