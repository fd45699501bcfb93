export { useNow } from './useNow';
export { useSiteLog } from './useSiteLog';
export { Waiting } from './Waiting';
