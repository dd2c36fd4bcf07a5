export { placeInOrder, type Wanting } from './placeInOrder.ts';
export { placeCards } from './placeCards.ts';
export { placeSigns, type PlacedSign, type SignRoom, type WantedSign } from './placeSigns.ts';
