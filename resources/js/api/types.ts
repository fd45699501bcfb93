import type { components } from './schema.generated';

type Schemas = components['schemas'];

export type Job = Schemas['Job'];
export type JobDocument = Schemas['JobDocument'];
export type JobRun = Schemas['JobRun'];
export type JobLeg = Schemas['JobLeg'];
export type JobLegUnread = Schemas['JobLegUnread'];
export type Evaluation = Schemas['Evaluation'];
export type Evaluated = Schemas['Evaluated'];
export type RunReport = Schemas['RunReport'];
export type LegReport = Schemas['LegReport'];
export type PieceReport = Schemas['PieceReport'];
export type JointReport = Schemas['JointReport'];
export type FittingReport = Schemas['FittingReport'];
export type Finding = Schemas['Finding'];
export type Tape = Schemas['Tape'];
export type Point = Schemas['Point'];
export type Account = Schemas['Account'];
export type Severity = Finding['severity'];
export type Units = Evaluation['units'];
