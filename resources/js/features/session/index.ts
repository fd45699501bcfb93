export { SignedIn } from './SignedIn';
