export { BenchPage } from './BenchPage';
