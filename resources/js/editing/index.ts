export { browserStorage, jobsWithDrafts, openTabs, type Tabs } from './drafts';
export type { Conflict, EditMachine, Saving, Snapshot } from './editMachine';
export { goOn, openEditor, whenSaved } from './openEditor';
