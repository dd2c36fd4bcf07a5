export { placeInOrder, type Wanting } from './placeInOrder.ts';
export { placeSigns, type PlacedSign, type SignRoom, type WantedSign } from './placeSigns.ts';
