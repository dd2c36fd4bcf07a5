export { Picked } from './Picked';
export { PickKeys } from './PickKeys';
