export { InkingLayer } from './InkingLayer';
export { PenRoll } from './PenRoll';
