export { JobPage } from './JobPage';
