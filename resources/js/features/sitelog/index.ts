export { LeftHere } from './LeftHere';
export { useNow } from './useNow';
export { usePictures } from './usePictures';
export { useSiteLog } from './useSiteLog';
export { Waiting } from './Waiting';
