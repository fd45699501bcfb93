/** Pages of those who are not signed in that few come to: they are fetched when they are opened. */
export { Forgotten } from './Forgotten';
export { Invited } from './Invited';
export { NewPasswordPage } from './NewPasswordPage';
