import { type Instrument, type WordManner, type WordMarker, writes } from '@marginalis/core/marks';
import { Icon, type IconName, Path, Svg } from '@/ui';

interface Look {
  /** What is outlined, and what of it is filled with the ink, on a 24 × 24 grid. */
  readonly body: string;
  readonly tip: string;
}

/** Wider pens and highlighters than this are broad, millimetres. */
const BROAD_PEN = 0.5;
const BROAD_HIGHLIGHTER = 4;

const FINE_PEN: Look = { body: 'M9.5 2.5h5v9.5l-1.7 6.5h-1.6L9.5 12z', tip: 'M10.4 15h3.2L12 22z' };
const BROAD_PEN_LOOK: Look = {
  body: 'M7.5 2.5h9V12l-2 4h-5l-2-4zM7.5 7h9',
  tip: 'M9.5 16h5v3.5a2.5 2.5 0 0 1-5 0z',
};
const PENCIL: Look = {
  body: 'M8.5 2.5h7V13L12 21.5 8.5 13zM8.5 13h7',
  tip: 'M10.8 18.2h2.4L12 21.5z',
};
const BRUSH: Look = {
  body: 'M10.3 2.5h3.4V11h-3.4z',
  tip: 'M9.3 11h5.4c1.2 4-.8 7.5-2.7 10.5-1.9-3-3.9-6.5-2.7-10.5z',
};
const FINE_HIGHLIGHTER: Look = {
  body: 'M8.5 2.5h7V12l-1.5 4h-4l-1.5-4z',
  tip: 'M10 16h4v2.5L10 21z',
};
const BROAD_HIGHLIGHTER_LOOK: Look = {
  body: 'M6 2.5h12V11l-2 4.5H8L6 11zM6 6.5h12',
  tip: 'M8 15.5h8v3L8 22z',
};

/** Type on a highlight, in either theme. */
const ON_PAPER = '#1b1b1d';

function lookOf(instrument: Instrument): Look | null {
  if (!writes(instrument)) return null;
  const { kind, widthMm } = instrument;
  if (kind === 'pencil') return PENCIL;
  if (kind === 'brush') return BRUSH;
  if (kind === 'pen') return widthMm > BROAD_PEN ? BROAD_PEN_LOOK : FINE_PEN;
  if (kind === 'highlighter')
    return widthMm > BROAD_HIGHLIGHTER ? BROAD_HIGHLIGHTER_LOOK : FINE_HIGHLIGHTER;
  return null;
}

/** What is drawn about the letter, on a 24 × 24 grid. */
const ABOUT_WORDS: Readonly<Record<WordManner, string>> = {
  highlight: '',
  underline: 'M4 20h16',
  squiggle: 'M4 20l2.7-2 2.7 2 2.6-2 2.7 2 2.7-2 2.6 2',
  strike: 'M4 12h16',
};

/** A letter with what its words get. */
function WordMarkerIcon(props: { marker: WordMarker; color: string; size: number }) {
  const { marker, color, size } = props;
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      {marker.manner === 'highlight' && <Path d="M3 2.5h18v18H3z" fill={marker.colour} />}
      <Path
        d="M7 16.5 12 4.5l5 12M8.7 12.5h6.6"
        fill="none"
        stroke={marker.manner === 'highlight' ? ON_PAPER : color}
        strokeWidth={1.7}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
      <Path d={ABOUT_WORDS[marker.manner]} fill="none" stroke={marker.colour} strokeWidth={2.4} />
    </Svg>
  );
}

/** An instrument as it is told from others at a glance: its kind, how broad it is, and its ink at the tip. */
export function InstrumentIcon(props: { instrument: Instrument; color: string; size?: number }) {
  const { instrument, color, size = 24 } = props;
  if (instrument.kind === 'word-marker')
    return <WordMarkerIcon marker={instrument} color={color} size={size} />;
  const look = lookOf(instrument);
  if (!look || !writes(instrument))
    return <Icon name={instrument.kind as IconName} size={size} color={color} />;
  const line = { stroke: color, strokeWidth: 1.5, strokeLinejoin: 'round' } as const;
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      <Path d={look.body} fill="none" {...line} />
      <Path d={look.tip} fill={instrument.colour} {...line} strokeWidth={1} />
    </Svg>
  );
}
