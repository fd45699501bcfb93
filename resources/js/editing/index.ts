export { browserStorage, jobsWithDrafts, openTabs, type Tabs } from './drafts';
export type { Conflict, EditMachine, Saving, Snapshot } from './editMachine';
export { SiteLog, type Happened, type Pending, type SiteLogState } from './siteLog';
export { goOn, openEditor, whenSaved } from './openEditor';
export * from './choosing';
export * from './cutting';
export * from './hanging';
export type { JobEditor } from './jobEditor';
export type { SharedSelection } from './selection';
