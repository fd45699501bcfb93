import { t } from '@lingui/core/macro';
/** Where a tour stops: a station of the run, what is pointed at there, and what is said of it. */
export interface Stop {
    station: string;
    /** selectors of what is pointed at; the first that is there counts */
    at: string[];
    title: string;
    say: string;
}

/** Two minutes, from the run to the record. */
export const STOPS: Stop[] = [
    {
        station: 'route',
        at: ['.fall-panel'],
        title: t`The run as the water meets it`,
        say:
            t`From its outlet on the left to where it ties in.` +
            ' ' +
            t`Each piece of pipe has a letter, each joint a number:` +
            ' ' +
            t`they are the same on the ticket, on the pipe and in the record.`,
    },
    {
        station: 'route',
        at: ['.say-line'],
        title: t`It is called out`,
        say:
            t`Say the legs as you would across the room:` +
            ' ' +
            t`down 20 / right 4 fall 1/4.` +
            ' ' +
            t`What is not understood is marked where it stands.` +
            ' ' +
            t`Type ? here for what can be said.`,
    },
    {
        station: 'route',
        at: ['.finds'],
        title: t`What stands against it`,
        say:
            t`Each says why, by which book, and what to do; often a button does it.` +
            ' ' +
            t`A dotted word says at a touch what is meant.`,
    },
    {
        station: 'look',
        at: ['main.station'],
        title: t`Look: what stands already`,
        say: t`Measure round an old pipe with a string: it is named, with how sure that is and what to check next.`,
    },
    {
        station: 'make-up',
        at: ['main.station'],
        title: t`Make-up: from end to end`,
        say:
            t`Between two ends that stand, all ways are looked for:` +
            ' ' +
            t`bends, rolled bends, the lengths between them, and whether the last piece goes in.`,
    },
    {
        station: 'joints',
        at: ['main.station'],
        title: t`Joints: how each is made`,
        say:
            t`Cement, gasket or coupling for every pair of ends.` +
            ' ' +
            t`With the parts to buy, the steps, the cautions and the clocks.`,
    },
    {
        station: 'cut',
        at: ['main.station'],
        title: t`Cut: the lengths, and from which sticks`,
        say:
            t`Every piece to the sixteenth or the millimeter.` +
            ' ' +
            t`Tick what is cut; say what came out otherwise.` +
            ' ' +
            t`The ticket prints on one page.`,
    },
    {
        station: 'hang',
        at: ['main.station'],
        title: t`Hang: where the clips go`,
        say: t`Hangers by the book, and how far the crown lies under a string at each of them.`,
    },
    {
        station: 'glue-up',
        at: ['main.station'],
        title: t`Glue-up: who does what, when`,
        say:
            t`The order of the joints with their clocks, for one pair of hands or two;` +
            ' ' +
            t`when something goes wrong the rest is planned anew.`,
    },
    {
        station: 'test',
        at: ['main.station'],
        title: t`Test: fill it, and look`,
        say: t`What is plugged, how high the water stands, how long; each reading is judged as it is taken.`,
    },
    {
        station: 'record',
        at: ['main.station'],
        title: t`Record: what was done`,
        say:
            t`Every joint with who made it and when, the tests, the photographs.` +
            ' ' +
            t`It is signed, printed, and read by a link without an account.`,
    },
    {
        station: 'route',
        at: ['.head'],
        title: t`Anywhere`,
        say:
            t`Press ?` +
            ' ' +
            t`for the keys and the words.` +
            ' ' +
            t`The mark on the left leads to all jobs, where “What is the job?” begins a new one from what you measure.`,
    },
];
