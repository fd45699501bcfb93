export { JointsStation } from './JointsStation';
export { MethodList } from './MethodList';
export { StepCard } from './StepCard';
