export { placeInOrder, type Wanting } from './placeInOrder.ts';
