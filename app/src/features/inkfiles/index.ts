export { InkFileItems } from './InkFileItems';
