export const CARRY = 'carry-over';
export const WAITING = 'waiting-marks';
