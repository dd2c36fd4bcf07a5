export { SendButton } from './SendButton';
