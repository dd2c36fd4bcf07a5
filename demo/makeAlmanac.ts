import { A4, footer, GREY, INK, LINE, newDocument } from './sheet.ts';

const TITLE = 'Tide almanac';
const PAGES = 800;
const ROWS = 40;
/** Periods of the main lunar and solar tides, hours (common practice, no source). */
const LUNAR = 12.4206;
const SOLAR = 12;

/** Height of the water at `hour`, metres above chart datum: two waves that drift in and out of step. */
function height(hour: number, station: number): number {
  const lag = station * 0.37;
  const lunar = 1.62 * Math.cos((2 * Math.PI * (hour - lag)) / LUNAR);
  const solar = 0.55 * Math.cos((2 * Math.PI * (hour - lag - 0.8)) / SOLAR);
  return 2.6 + lunar + solar;
}

const clock = (hour: number): string => {
  const minutes = Math.round(hour * 60) % 1440;
  return `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
};

/** 800 pages of half-hourly heights at invented stations. */
export async function makeAlmanac(): Promise<Uint8Array> {
  const { doc, fonts } = await newDocument(TITLE);
  for (let p = 0; p < PAGES; p++) {
    const page = doc.addPage([A4.width, A4.height]);
    const station = p % 8;
    const firstDay = Math.floor(p / 8) * 4;
    page.drawText(`${TITLE} · station ${station + 1}`, {
      x: 56,
      y: 786,
      size: 15,
      font: fonts.bold,
      color: INK,
    });
    page.drawText(`Days ${firstDay + 1} to ${firstDay + 4}. Height in metres above chart datum.`, {
      x: 56,
      y: 768,
      size: 9.5,
      font: fonts.sans,
      color: GREY,
    });
    for (let day = 0; day < 4; day++) {
      const x = 56 + day * 124;
      page.drawText(`Day ${firstDay + day + 1}`, {
        x,
        y: 744,
        size: 10.5,
        font: fonts.bold,
        color: INK,
      });
      page.drawLine({
        start: { x, y: 739 },
        end: { x: x + 108, y: 739 },
        thickness: 0.5,
        color: LINE,
      });
      const lines: string[] = [];
      for (let row = 0; row < ROWS; row++) {
        const hour = (24 * row) / ROWS;
        const metres = height((firstDay + day) * 24 + hour, station);
        lines.push(`${clock(hour)}    ${metres.toFixed(2)}`);
      }
      page.drawText(lines.join('\n'), {
        x,
        y: 724,
        size: 10,
        lineHeight: 16.6,
        font: fonts.sans,
        color: INK,
      });
    }
    footer(page, fonts, 'Saltmarsh Field Station', `${p + 1} of ${PAGES}`);
  }
  return doc.save();
}
