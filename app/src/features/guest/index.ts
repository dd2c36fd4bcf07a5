export { GuestScreen } from './GuestScreen';
