export { Forgotten } from './Forgotten';
export { Invited } from './Invited';
export { NewAddress } from './NewAddress';
export { NewPasswordPage } from './NewPasswordPage';
export { SignedUp, SignUp } from './SignUp';
