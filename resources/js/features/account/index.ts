export { AccountPage } from './AccountPage';
export { NewAddress } from './NewAddress';
