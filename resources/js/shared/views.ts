import { t } from '@lingui/core/macro';
/** What the Route station shows: one run, or the house in one of three ways. */
export type RouteView = 'run' | 'house' | 'loads' | 'drilling';

export const VIEWS: { key: RouteView; name: string }[] = [
    { key: 'run', name: t`This run` },
    { key: 'house', name: t`Whole house` },
    { key: 'loads', name: t`Drains and vents` },
    { key: 'drilling', name: t`Drilling plan` },
];

/** In the editor's call-out: what is being said is a run that is not there yet. */
export const NEW_RUN = '+';
