import { Path, Svg } from './svg';

/** Drawn for this product: strokes of one width on a 24 × 24 grid, like figures in a proof. */
const PATHS = {
  back: 'M14.5 5.5 8 12l6.5 6.5M8.5 12H20',
  send: 'M12 15.5V4M8 7.5 12 3.5l4 4M5 13v6.5h14V13',
  undo: 'M9 5 4.5 9.5 9 14M5 9.5h8.5a5 5 0 0 1 0 10H9',
  redo: 'M15 5l4.5 4.5L15 14M19 9.5h-8.5a5 5 0 0 0 0 10H15',
  plus: 'M12 5v14M5 12h14',
  minus: 'M5 12h14',
  close: 'M6 6l12 12M18 6 6 18',
  more: 'M12 5.5v.01M12 12v.01M12 18.5v.01',
  pen: 'M4 20l1.6-5.2L16 4.4a1.6 1.6 0 0 1 2.3 0l1.3 1.3a1.6 1.6 0 0 1 0 2.3L9.2 18.4zM14 6.5l3.5 3.5',
  pencil: 'M4 20l1-5L15.5 4.5l4 4L9 19zM13.5 6.5l4 4M4 20l2.6-.5M8 15l1.5 1.5',
  brush:
    'M4 20c3 0 6-.5 6.5-3.5a2.4 2.4 0 0 0-4-2C5 16 5.5 18 4 20zM10 14.5 19 4.2c.8-.8 2 .3 1.3 1.2L11.8 16',
  highlighter: 'M5 20.5h14M8 17l-1.5-1.5L14 4.8l4.6 3.2L11 18.5zM12.2 7.6l4.6 3.2',
  'figure-pen': 'M3.5 17.5h8v-8h-8zM20.5 8.5a4 4 0 1 1-8 0 4 4 0 0 1 8 0zM14 20l6-5',
  eraser:
    'M8.5 19.5 4 15l9.5-9.5a1.5 1.5 0 0 1 2 0L19.5 9a1.5 1.5 0 0 1 0 2.1L11 19.5zM9 10l6 6M8.5 19.5H20',
  picker:
    'M5 9.5C5 6 8 4 12 4s7.5 2 7.5 5-3 5.5-7.5 5.5S5 13 5 9.5zM7.5 13.5C6 15 6 17.5 8 18.5M8 18.5a1.6 1.6 0 1 1-2.4 1.2',
  'word-picker': 'M4.5 4.5h5M7 4.5v15M4.5 19.5h5M12 8.5h8M12 12h8M12 15.5h5',
  corrector:
    'M3.5 8.5h9M3.5 13h6M3.5 17.5h5M12.5 19.5l.8-3.4 5.6-5.6 2.6 2.6-5.6 5.6zM14 4.5l6 4M20 4.5l-6 4',
  redactor:
    'M3.5 5.5h17M3.5 18.5h11M3.5 9.5h17v5h-17zM5.5 12h.01M9 12h.01M12.5 12h.01M16 12h.01M19 12h-1',
  'link-maker': 'M3.5 5h11v7.5h-11zM14.5 8.8h3a3 3 0 0 1 3 3V17M17.5 14.5l3 3 3-3',
  'text-box': 'M4 8V5h3M20 8V5h-3M4 16v3h3M20 16v3h-3M8.5 8.5h7M12 8.5v7M10.5 15.5h3',
  'word-marker': 'M4 4.5h9M8.5 4.5v8M4 20h16M15 16l-3.5.8.8-3.5 6.2-6.2 2.7 2.7z',
  look: 'M4 18h8M16 18h4M14 15.5v5M4 12h3M11 12h9M9 9.5v5M4 6h10M18 6h2M16 3.5v5',
  duplicate: 'M4 4h11v11H4zM9 15v5h11V9h-5M14.5 14.5h3M16 13v3',
  copy: 'M4 4h11v11H4zM9 15v5h11V9h-5',
  cut: 'M6 4l8.5 12M18 4 9.5 16M9 18a2.5 2.5 0 1 1-5 0 2.5 2.5 0 0 1 5 0zM20 18a2.5 2.5 0 1 1-5 0 2.5 2.5 0 0 1 5 0z',
  paste: 'M6 5h12v16H6zM9 3.5h6v3.5H9zM9 11.5h6M9 15h6',
  ways: 'M5 3.5h12v17H5zM17 6h3v4h-3M17 12.5h3v4h-3M8 8h6M8 11.5h6M8 15h4',
  list: 'M4 6h.01M8 6h12M4 12h.01M8 12h12M4 18h.01M8 18h12',
  fitWidth: 'M3.5 5v14M20.5 5v14M7 12h10M9 9.5 6.5 12 9 14.5M15 9.5l2.5 2.5-2.5 2.5',
  fitPage: 'M6 3.5h12v17H6zM12 7v10M9.8 9 12 6.8 14.2 9M9.8 15l2.2 2.2 2.2-2.2',
  keys: 'M3 7h18v10H3zM6 10h.01M9.5 10h.01M13 10h.01M16.5 10h.01M7.5 14h9',
  view: 'M2.5 12S6 5.5 12 5.5 21.5 12 21.5 12 18 18.5 12 18.5 2.5 12 2.5 12zM12 15a3 3 0 1 0 0-6 3 3 0 0 0 0 6z',
  find: 'M4 6.5h9M4 12h6M4 17.5h5M20.5 20l-3.2-3.2M18 14a4 4 0 1 1-8 0 4 4 0 0 1 8 0z',
  addPage: 'M6 3.5h8l4 4v6M14 3.5v4h4M6 3.5v17h6M16.5 15v6M13.5 18h6',
  open: 'M4 19.5v-13h6l2 2.5h8v10.5zM12 12v5M9.5 14.5 12 12l2.5 2.5',
  voice: 'M4.5 9.5v5h3.5l5 4.5v-14l-5 4.5zM16 9a4.2 4.2 0 0 1 0 6M18.3 6.5a7.8 7.8 0 0 1 0 11',
  pacer: 'M4 7h16M4 12h3M16 12h4M4 17h11M8.5 9.8h6v4.4h-6z',
  play: 'M8 5.5v13l10-6.5z',
  pause: 'M8.5 5.5v13M15.5 5.5v13',
  before: 'M18 6v12l-8.5-6zM6.5 6v12',
  after: 'M6 6v12l8.5-6zM17.5 6v12',
  pages: 'M4 4h6.5v7H4zM13.5 4H20v7h-6.5zM4 14h6.5v6.5H4zM13.5 14H20v6.5h-6.5z',
  facing: 'M3 4.5h9v15H3zM12 4.5h9v15h-9zM5.5 9h4M5.5 12h4M14.5 9h4M14.5 12h4',
  pageByPage: 'M7.5 4h9v16h-9zM4.5 9.5 2 12l2.5 2.5M19.5 9.5 22 12l-2.5 2.5M10 9h4M10 12h4',
  turn: 'M8.5 10.5H20v9.5H8.5zM4 12.5V9a4.5 4.5 0 0 1 4.5-4.5H14M11.5 2 14 4.5 11.5 7',
  turnLeft: 'M15.5 10.5H4v9.5h11.5zM20 12.5V9a4.5 4.5 0 0 0-4.5-4.5H10M12.5 2 10 4.5 12.5 7',
  night: 'M19.5 14.5A8 8 0 0 1 9.5 4.5a8 8 0 1 0 10 10z',
  sepia: 'M6 3.5h8l4 4v13H6zM14 3.5v4h4M9 11h6M9 14h6M9 17h3',
  meaning:
    'M5 4.5h11a3 3 0 0 1 3 3v13H8a3 3 0 0 1-3-3zM5 17.5a3 3 0 0 1 3-3h11M9.5 11l2-5 2 5M10.2 9.4h2.6',
  beside: 'M3.5 4.5h17v15h-17zM12 4.5v15M6.5 9H9M6.5 12H9M15 9h2.5M15 12h2.5',
  flip: 'M4 9.5h12.5M13 5.5l4 4-4 4M20 14.5H7.5M11 10.5l-4 4 4 4',
  about: 'M12 21a9 9 0 1 0 0-18 9 9 0 0 0 0 18zM12 11v5.5M12 7.5v.01',
  note: 'M5 4.5h14v10l-5 5H5zM19 14.5h-5v5M8.5 9h7M8.5 12.5h4',
  drawer: 'M3.5 13.5 6.5 5h11l3 8.5v6h-17zM3.5 13.5h17M9.5 16.5h5',
  sign: 'M4 15.5c3-6 6-9.5 7-8.5s-3.5 8-2 8.5 3.5-4.5 5-4-1.5 4 0 4 3-1.5 5.5-2.5M4 19.5h16',
  equation: 'M3 13h2.5l2.5 6.5L11.5 5h9M13.5 10l5 6M18.5 10l-5 6',
  form: 'M4 4h16v16H4zM7 8h10v3.5H7zM7 15.5l1.5 1.5 2.5-3M14 16.5h3',
  stamp: 'M9.5 13.5c0-2-2-3.5-2-6a4.5 4.5 0 0 1 9 0c0 2.5-2 4-2 6M5 13.5h14v4H5zM5 20.5h14',
  picture: 'M3.5 4.5h17v15h-17zM3.5 16l5-5 4 4 3-2.5 5 4.5M15.5 9.5h.01',
  camera: 'M4 7.5h4l1.5-3h5l1.5 3h4v12H4zM15.5 13a3.5 3.5 0 1 1-7 0 3.5 3.5 0 0 1 7 0z',
  crop: 'M7 3v14h14M3 7h14v14M10 10h4v4h-4z',
  mirror: 'M12 3.5v17M9 7v10H3.5zM15 7v10h5.5z',
  label: 'M4.5 4.5h7.2l8 8-7.2 7.2-8-8zM8.4 8.4h.1',
  flag: 'M7 21V4M7 4.5h11l-2.5 4 2.5 4H7',
  link: 'M9.5 14.5l5-5M8 11l-2.5 2.5a3.5 3.5 0 0 0 5 5L13 16M16 13l2.5-2.5a3.5 3.5 0 0 0-5-5L11 8',
  print: 'M7 8.5v-5h10v5M7 16.5H4v-8h16v8h-3M7 13.5h10v7H7zM16.5 11h.01',
  mail: 'M4 6h16v12.5H4zM4.5 6.5 12 13l7.5-6.5',
  download: 'M12 4v11.5M8 11.5l4 4 4-4M5 19.5h14',
  lock: 'M6 11h12v9H6zM8.5 11V8a3.5 3.5 0 0 1 7 0v3',
  down: 'M6 9.5l6 6 6-6',
  up: 'M6 14.5l6-6 6 6',
  right: 'M9.5 6l6 6-6 6',
  left: 'M14.5 6l-6 6 6 6',
  magnify: 'M15 10.5a5 5 0 1 1-10 0 5 5 0 0 1 10 0zM14 14l5.5 5.5M7.5 10.5h5M10 8v5',
  search: 'M16 10.5a5.5 5.5 0 1 1-11 0 5.5 5.5 0 0 1 11 0zM14.6 14.6l5.4 5.4',
  nextLine: 'M19.5 5v5.5a3 3 0 0 1-3 3H5M9 9.5 5 13.5l4 4M5 20.5h14',
  check: 'M5 12.5 10 17.5 19.5 6.5',
  hand: 'M8 12V6a1.4 1.4 0 0 1 2.8 0v5M10.8 10V4.6a1.4 1.4 0 0 1 2.8 0V10M13.6 10.5V6a1.4 1.4 0 0 1 2.8 0v7.5c0 4-2 6.5-5.2 6.5-3 0-4.4-1.4-6.2-5-1-2 1-3 2-1.6L8 15',
  settings: 'M4 7h6M14 7h6M12 4.5v5M4 12h2M10 12h10M8 9.5v5M4 17h9M17 17h3M15 14.5v5',
  move: 'M12 3.5v17M3.5 12h17M9.5 6 12 3.5 14.5 6M9.5 18l2.5 2.5 2.5-2.5M6 9.5 3.5 12 6 14.5M18 9.5l2.5 2.5-2.5 2.5',
  remove: 'M5 7h14M9.5 7V4.5h5V7M7 7l1 13h8l1-13',
  rename: 'M4 19.5h16M6 15.5 15 5.5l3 2.7-9 9.8-3.6.7z',
} as const;

export type IconName = keyof typeof PATHS;

export function Icon({
  name,
  size = 24,
  color = '#000',
}: {
  name: IconName;
  size?: number;
  color?: string;
}) {
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      <Path
        d={PATHS[name]}
        fill="none"
        stroke={color}
        strokeWidth={name === 'more' ? 2.6 : 1.7}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </Svg>
  );
}

/** For Paper's `icon` properties. */
export const paperIcon = (name: IconName) =>
  function PaperIcon({ size, color }: { size: number; color: string }) {
    return <Icon name={name} size={size} color={color} />;
  };
