export { drawerFeature } from './feature';
