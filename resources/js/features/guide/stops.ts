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
        title: 'The run as the water meets it',
        say:
            'From its outlet on the left to where it ties in. Each piece of pipe has a letter, each joint a ' +
            'number: they are the same on the ticket, on the pipe and in the record.',
    },
    {
        station: 'route',
        at: ['.say-line'],
        title: 'It is called out',
        say:
            'Say the legs as you would across the room: down 20 / right 4 fall 1/4. What is not understood ' +
            'is marked where it stands. Type ? here for what can be said.',
    },
    {
        station: 'route',
        at: ['.finds'],
        title: 'What stands against it',
        say:
            'Each says why, by which book, and what to do; often a button does it. A dotted word says at a ' +
            'touch what is meant.',
    },
    {
        station: 'look',
        at: ['main.station'],
        title: 'Look: what stands already',
        say: 'Measure round an old pipe with a string: it is named, with how sure that is and what to check next.',
    },
    {
        station: 'make-up',
        at: ['main.station'],
        title: 'Make-up: from end to end',
        say:
            'Between two ends that stand, all ways are looked for: bends, rolled bends, the lengths between ' +
            'them, and whether the last piece goes in.',
    },
    {
        station: 'joints',
        at: ['main.station'],
        title: 'Joints: how each is made',
        say:
            'Cement, gasket or coupling for every pair of ends, with the parts to buy, the steps, the ' +
            'cautions and the clocks.',
    },
    {
        station: 'cut',
        at: ['main.station'],
        title: 'Cut: the lengths, and from which sticks',
        say:
            'Every piece to the sixteenth or the millimetre. Tick what is cut; say what came out otherwise. ' +
            'The ticket prints on one page.',
    },
    {
        station: 'hang',
        at: ['main.station'],
        title: 'Hang: where the clips go',
        say: 'Hangers by the book, and how far the crown lies under a string at each of them.',
    },
    {
        station: 'glue-up',
        at: ['main.station'],
        title: 'Glue-up: who does what, when',
        say:
            'The order of the joints with their clocks, for one pair of hands or two; when something goes ' +
            'wrong the rest is planned anew.',
    },
    {
        station: 'test',
        at: ['main.station'],
        title: 'Test: fill it, and look',
        say: 'What is plugged, how high the water stands, how long; each reading is judged as it is taken.',
    },
    {
        station: 'record',
        at: ['main.station'],
        title: 'Record: what was done',
        say:
            'Every joint with who made it and when, the tests, the photographs. It is signed, printed, and ' +
            'read by a link without an account.',
    },
    {
        station: 'route',
        at: ['.head'],
        title: 'Anywhere',
        say:
            'Press ? for the keys and the words. The mark on the left leads to all jobs, where “What is the ' +
            'job?” begins a new one from what you measure.',
    },
];
