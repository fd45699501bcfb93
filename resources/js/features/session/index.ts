export { Entrance } from './Entrance';
export { SignedIn } from './SignedIn';
