export { Picked } from './Picked';
export { PickKeys } from './PickKeys';
export { PickedActions } from './PickedActions';
