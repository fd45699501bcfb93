export { Forgotten } from './Forgotten';
export { Invited } from './Invited';
export { NewPasswordPage } from './NewPasswordPage';
export { SignedUp, SignUp } from './SignUp';
