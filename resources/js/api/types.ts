import type { components } from './schema.generated';

export type Schemas = components['schemas'];

export type Job = Omit<Schemas['Job'], 'evaluation'> & { evaluation: Evaluation };
export type JobDocument = Schemas['JobDocument'];
export type JobRun = Schemas['JobRun'];
export type JobLeg = Schemas['JobLeg'];
export type JobLegUnread = Schemas['JobLegUnread'];
/** As far as the screens ask for it; `cuts`: what is to be cut, by run. */
export type Evaluation = Schemas['Evaluation'] & { cuts?: Record<string, CuttingReport> };
export interface Evaluated {
    document: JobDocument;
    evaluation: Evaluation;
}
export type RunReport = Schemas['RunReport'];
export type AuditEntry = Schemas['AuditEntry'];
export type InstallationStatus = Schemas['InstallationStatus'];
export type BegunSecondFactor = Schemas['BegunSecondFactor'];
export type BoardPage = Schemas['BoardPage'];
export type JobRow = Schemas['JobRow'];
/** As much of a run as its fall line is drawn from. */
export type RunDrawing = Schemas['RunDrawing'];
export type Unreadable = Schemas['Unreadable'];
export type Stale = Omit<Schemas['Stale'], 'current'> & { current: Job };
/** A document, and the job that it is of: the numbers of that job's crew go before the lists. */
export interface OfJob {
    job?: string;
    document: JobDocument;
}
export type LegReport = Schemas['LegReport'];
export type PieceReport = Schemas['PieceReport'];
export type JointReport = Schemas['JointReport'];
export type StandingEnd = Schemas['StandingEnd'];
export type StandingReport = Schemas['StandingReport'];
export type JobStanding = Schemas['JobStanding'];
export type JobEvidence = Schemas['JobEvidence'];
export type JobSingle = Schemas['JobSingle'];
export type JointCard = Schemas['JointCard'];
export type JointMethod = Schemas['JointMethod'];
export type JointEnd = Schemas['JointEnd'];
export type JointRefused = Schemas['JointRefused'];
export type CataloguePage = Schemas['CataloguePage'];
export type CatalogueEntry = Schemas['CatalogueEntry'];
export type SystemSummary = Schemas['SystemSummary'];
export type OwnEntry = Schemas['OwnEntry'];
export type Source = Schemas['Source'];
export type IdentifyInput = Schemas['IdentifyInput'];
export type IdentifyOutput = Schemas['IdentifyOutput'];
export type JointOutput = Schemas['JointOutput'];
export type FittingReport = Schemas['FittingReport'];
export type Finding = Schemas['Finding'];
export type Tape = Schemas['Tape'];
export type Point = Schemas['Point'];
export type Account = Schemas['Account'];
export type Entrance = Schemas['Entrance'];
export type OpenInvitation = Schemas['OpenInvitation'];
export type Invitation = Schemas['Invitation'];
export type CrewPeople = Schemas['CrewPeople'];
export type SignedInDevice = Schemas['SignedInDevice'];
export type Choices = Schemas['Choices'];
export type Start = Schemas['Start'];
export type HowTo = Schemas['HowTo'];
export type HowToAnswer = Schemas['HowToAnswer'];
export type StartField = Schemas['StartField'];
export type StartAnswer = Schemas['StartAnswer'];
export type NetworkReport = Schemas['NetworkReport'];
export type RunPlace = Schemas['RunPlace'];
export type FixtureReport = Schemas['FixtureReport'];
export type ArmReport = Schemas['ArmReport'];
export type PipeReport = Schemas['PipeReport'];
export type CrossingReport = Schemas['CrossingReport'];
export type JobFixture = Schemas['JobFixture'];
export type JobObstacle = Schemas['JobObstacle'];
export type TrapSealInput = Schemas['TrapSealInput'];
export type TrapSealOutput = Schemas['TrapSealOutput'];
export type TrapArmInput = Schemas['TrapArmInput'];
export type TrapArmOutput = Schemas['TrapArmOutput'];
export type JobHanging = Schemas['JobHanging'];
export type HangingReport = Schemas['HangingReport'];
export type JobCutting = Schemas['JobCutting'];
export type CuttingReport = Schemas['CuttingReport'];
export type MeasureFirst = CuttingReport['measure'][number];
export type CoverageRow = Schemas['CoverageRow'];
export type BookDifference = Schemas['BookDifference'];
export type MaterialRow = Schemas['MaterialRow'];
export type HoursRow = Schemas['HoursRow'];
/** All that a job takes: parts, what is taken along, and hours. */
export interface Materials {
    rows: MaterialRow[];
    total: number | null;
    hours: HoursRow[];
}
export type Amendments = Schemas['Amendments'];
export type KeptAmendments = Schemas['KeptAmendments'];
export type CrewPrices = Schemas['CrewPrices'];
export interface KeptPrices {
    prices: Schemas['JobPrice'][];
    sticks: Omit<CrewPrices['sticks'][number], 'id' | 'by' | 'at'>[];
}
export type JobMove = Schemas['JobMove'];
export type RunClosing = Schemas['RunClosing'];
export type MadeUp = Schemas['MadeUp'];
export type LogEntry = Schemas['LogEntry'];
/** What an entry of the log says, by its kind. */
export type EntrySaid = LogEntry['said'];
export type SiteEvent = EntrySaid & {
    key: string;
    kind: LogEntry['kind'];
    made_at: string;
    age_s: number;
};
export type JobRecord = Schemas['JobRecord'];
export type RecordedRun = Schemas['RecordedRun'];
export type RecordedJoint = Schemas['RecordedJoint'];
export type RecordedTest = Schemas['RecordedTest'];
export type RecordedPicture = Schemas['RecordedPicture'];
export type Share = Schemas['Share'];
export type NewShare = Schemas['NewShare'];
export type SharedRecord = Schemas['SharedRecord'];
export type Testing = Schemas['Testing'];
export type TestedSystem = Schemas['TestedSystem'];
export type TestMethod = Schemas['TestMethod'];
export type TestOpening = Schemas['TestOpening'];
export type TestFill = Schemas['TestFill'];
export type TestJoint = Schemas['TestJoint'];
export type SiteTest = Schemas['SiteTest'];
export type RunDay = Schemas['RunDay'];
export type RunOrder = Schemas['RunOrder'];
export type CutInInput = Schemas['CutInInput'];
export type CutInOutput = Schemas['CutInOutput'];
export type TrapFitInput = Schemas['TrapFitInput'];
export type TrapFitOutput = Schemas['TrapFitOutput'];
export type MadeUpWay = Schemas['MadeUpWay'];
export type Severity = Finding['severity'];
export type Units = Evaluation['units'];
