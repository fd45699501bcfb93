export { TableIn } from './TableIn';
export { TablesOut } from './TablesOut';
