import { escaped } from '../drawing/xml-text';
import { wiringSvg } from '../drawing/wiring-drawing';
import { templatePapers } from '../template';
import { cureWords, warningsOf, wireLabels, type Sheet } from './sheet';
import { minuteWords } from '../order/minutes';
import { priceWords, sheetTables, sheetTasks } from './tables';

/** How a sheet looks, on A4 and Letter alike, in black on white. */
export const sheetStyle = `
.paper{font:8.8pt/1.25 'IBM Plex Sans',sans-serif;color:#111;background:#fff;max-width:190mm;margin:0 auto}
.paper h1{font:600 17pt/1.15 Archivo,sans-serif;margin:0 0 2mm}
.paper h2{font:600 11pt/1.2 Archivo,sans-serif;margin:3mm 0 1mm;break-after:avoid}
.paper p{margin:0 0 2mm}
.paper table{border-collapse:collapse;width:100%;font-size:7.8pt}
.paper th,.paper td{border:0.3mm solid #999;padding:0.35mm 1.2mm;text-align:left;vertical-align:top}
.paper thead{display:table-header-group}
.paper tr,.paper li,.paper figure{break-inside:avoid}
.paper .warnings h2{margin:3mm 0 1mm}
.paper .warnings ul{margin:0;padding-left:5mm}
.paper .warnings.stop{border:1mm solid #111;padding:1mm 4mm 2mm;margin:3mm 0}
.paper .warnings.stop h2{margin-top:1mm}
.paper .cautions{border:0.6mm solid #111;padding:1mm 3mm;margin:2mm 0;list-style:none}
.paper .cautions li{display:inline}
.paper .cautions li+li::before{content:' · '}
.paper ol.tasks{list-style:none;margin:0;padding:0;columns:2;column-gap:6mm}
.paper ol.tasks li{display:grid;grid-template-columns:5mm 5mm 1fr;gap:1.5mm;padding:0.5mm 0;border-bottom:0.2mm solid #bbb}
.paper .box{width:4.4mm;height:4.4mm;border:0.4mm solid #111;text-align:center;font:700 10pt/4.4mm sans-serif}
.paper .number{font-weight:600;text-align:right}
.paper .small{font-size:8pt;color:#444}
.paper .wiring{max-width:100%;height:auto;max-height:108mm;display:block;margin:0 auto}
.paper .strip{display:flex;flex-wrap:wrap;gap:0}
.paper .strip span{border:0.2mm dashed #777;min-width:5.5mm;padding:0.4mm 0.8mm;text-align:center;font-weight:600}
.paper .strip .name{min-width:60mm}
.paper figure{margin:0 0 2mm}
.paper .plug-svg{max-width:100%;height:auto}
@media (max-width:640px){.paper ol.tasks{columns:1}}
@page{margin:10mm}
@media print{.paper{max-width:none}}
`;

const cell = (tag: 'th' | 'td', text: string): string => `<${tag}>${escaped(text)}</${tag}>`;

/** The sheet of a job as a piece of HTML; it holds no script, and every text in it is escaped. */
export function sheetBody(sheet: Sheet): string {
  const { ordered, shopping, currency } = sheet;
  const out = [
    '<article class="paper">',
    `<h1>${escaped(sheet.jobName)}${sheet.count > 1 ? ` <small>× ${sheet.count}</small>` : ''}</h1>`,
    `<p>${escaped(sheet.layoutName)}, ${escaped(sheet.kindWord)}. Fed by ${escaped(sheet.supply)}.${sheet.note === '' ? '' : ` ${escaped(sheet.note)}`}</p>`,
  ];
  for (const { heading, findings } of warningsOf(sheet))
    out.push(
      `<section class="warnings ${findings[0].severity}"><h2>${escaped(heading)}</h2><ul>`,
      ...findings.map(
        (f) =>
          `<li><b>${escaped(f.title)}.</b> ${escaped(f.sentence)} <span class="small">${escaped(cureWords(f))}</span></li>`,
      ),
      '</ul></section>',
    );
  if (sheet.cautions.length > 0)
    out.push(`<ul class="cautions">${sheet.cautions.map((c) => `<li>${escaped(c)}</li>`).join('')}</ul>`);
  if (ordered.ok)
    out.push(
      `<h2>In this order: ${minuteWords(ordered.order.minutes)}</h2>`,
      '<ol class="tasks">',
      ...sheetTasks(sheet).map(
        (t) =>
          `<li><span class="box">${t.done ? '×' : ''}</span><span class="number">${t.number}</span><span><b>${escaped(t.does)}</b> ${escaped(t.says)} <span class="small">${escaped(t.tool)}, ${escaped(t.figures)}${t.final ? ', for good' : ''}</span>${t.note === '' ? '' : ` <i>${escaped(t.note)}</i>`}</span></li>`,
      ),
      '</ol>',
    );
  else
    for (const { facts, frees } of ordered.collisions)
      out.push(
        '<h2>There is no order that works</h2>',
        `<ul>${facts.map((f) => `<li>${escaped(f)}</li>`).join('')}</ul>`,
        `<p>What would free it: ${frees.map(escaped).join(' ')}</p>`,
      );
  out.push(
    `<p><b>Tools:</b> ${sheet.tools.map((t) => escaped(t.without ? `${t.name} (without one: ${t.without})` : t.name)).join('; ')}.</p>`,
  );
  const tables = sheetTables(sheet).map(({ title, head, rows }) => [
    `<h2>${escaped(title)}</h2>`,
    `<table><thead><tr>${head.map((h) => cell('th', h)).join('')}</tr></thead><tbody>`,
    ...rows.map((r) => `<tr>${r.map((c) => cell('td', c)).join('')}</tr>`),
    '</tbody></table>',
  ]);
  // A table may go on over the page, a drawing is not torn in two: the wires stand before it.
  if (sheet.wiring.length > 0) out.push(...tables.shift()!);
  out.push(
    '<h2>As it is wired</h2>',
    `<figure>${wiringSvg(sheet.drawing, { title: `Wiring of ${sheet.jobName}` })}</figure>`,
  );
  if (sheet.string) out.push(`<figure>${sheet.string}</figure>`);
  if (sheet.plug.length > 0)
    out.push(
      '<h2>The plug, from above and from the solder side</h2>',
      ...sheet.plug.map((svg) => `<figure>${svg}</figure>`),
    );
  out.push(...tables.flat());
  out.push(
    `<p>Parts of one lamp ${priceWords(shopping.perLamp, currency)}, of the whole ${priceWords(shopping.perJob, currency)}. To buy ${priceWords(shopping.partsPrice, currency)}, with post ${priceWords(shopping.total, currency)}.</p>`,
  );
  const labels = wireLabels(sheet);
  if (labels.length > 0)
    out.push(
      '<h2>Labels for wires and box</h2>',
      `<div class="strip">${labels.map((l) => `<span>${escaped(l)}</span>`).join('')}<span class="name">${escaped(sheet.jobName)}</span></div>`,
    );
  for (const template of sheet.templates)
    out.push(
      `<h2>Template: ${escaped(template.name)}</h2>`,
      ...templatePapers(template).map((svg) => `<figure>${svg}</figure>`),
    );
  out.push('</article>');
  return out.join('\n');
}

/** The sheet of a job as a page of its own. */
export const sheetHtml = (sheet: Sheet): string =>
  `<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><title>${escaped(sheet.jobName)}</title><style>${sheetStyle}</style></head><body>\n${sheetBody(sheet)}\n</body></html>\n`;
