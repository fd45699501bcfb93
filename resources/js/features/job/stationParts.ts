import { loaded } from '../../shared/loaded';

export const Route = loaded(() => import('../route').then((route) => route.Route));
export const CutStation = loaded(() => import('../cut').then((cut) => cut.CutStation));
export const HangStation = loaded(() => import('../hang').then((hang) => hang.HangStation));
export const GlueUpStation = loaded(() => import('../glueup').then((glueup) => glueup.GlueUpStation));
export const JointsStation = loaded(() => import('../joints').then((joints) => joints.JointsStation));
export const LookStation = loaded(() => import('../look').then((look) => look.LookStation));
export const MakeUpStation = loaded(() => import('../makeup').then((makeup) => makeup.MakeUpStation));
export const TestStation = loaded(() => import('../test').then((test) => test.TestStation));
export const RecordStation = loaded(() => import('../record').then((record) => record.RecordStation));
export const ServicesHold = loaded(() => import('../record').then((record) => record.ServicesHold));
export const House = loaded(() => import('../house').then((house) => house.House));

const OF_STATIONS: Record<string, { fetch: () => Promise<unknown> }> = {
    look: LookStation,
    route: Route,
    'make-up': MakeUpStation,
    joints: JointsStation,
    cut: CutStation,
    hang: HangStation,
    'glue-up': GlueUpStation,
    test: TestStation,
    record: RecordStation,
};

/**
 * Asks for what a station is made of, while its job is still being fetched; resolves when it is there, or cannot be
 * had.
 */
export const fetchStation = async (station: string, view: string): Promise<true> => {
    const part = station === 'route' && view !== 'run' ? House : OF_STATIONS[station];
    await part?.fetch().catch(() => undefined);
    return true;
};
