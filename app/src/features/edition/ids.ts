export const CARRY = 'carry-over';
export const WAITING = 'waiting-marks';

export const CARRY_TITLE = 'Carry over to a new edition';
