export { TidyChip } from './TidyChip';
export { FigureInHand } from './FigureInHand';
export { SettleItems } from './SettleItems';
export { ScratchChip } from './ScratchChip';
