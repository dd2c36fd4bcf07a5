export const CORRECT = 'correct-line';
