import { placeInOrder, type Wanting } from './placeInOrder.ts';

const heightOf = (cards: readonly Wanting[], gap: number): number =>
  cards.reduce((sum, { height }) => sum + height + gap, -gap);

/**
 * Where the heads of cards come to stand beside a page: in their order, never overlapping, as near to their places as that lets them (least squares, see
 * {@link placeInOrder}). The chosen one stands level with its place, and the others make room.
 * @param chosen its number among the cards; none with null
 * @param head none stands higher, but where the chosen one leaves no room beneath that
 */
export function placeCards(
  cards: readonly Wanting[],
  gap: number,
  chosen: number | null,
  head = -Infinity,
): number[] {
  const held = chosen === null ? undefined : cards[chosen];
  if (!held || chosen === null) return placeInOrder(cards, gap, { from: head, to: Infinity });
  const above = placeInOrder(cards.slice(0, chosen), gap, {
    from: Math.min(head, held.at - gap - heightOf(cards.slice(0, chosen), gap)),
    to: held.at - gap,
  });
  const below = placeInOrder(cards.slice(chosen + 1), gap, {
    from: held.at + held.height + gap,
    to: Infinity,
  });
  return [...above, held.at, ...below];
}
