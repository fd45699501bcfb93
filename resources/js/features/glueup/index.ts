export { GlueUpStation } from './GlueUpStation';
