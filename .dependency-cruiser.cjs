/** The floors of the interface: imports only go down, features meet only by their doors, and nothing goes round in a circle. */
const FLOORS = ['app', 'features', 'editing', 'drawing', 'shared', 'api'];

module.exports = {
    forbidden: [
        { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
        {
            name: 'features-meet-by-their-doors',
            severity: 'error',
            from: { path: '^resources/js/features/([^/]+)/' },
            to: { path: '^resources/js/features/', pathNot: ['^resources/js/features/$1/', '^resources/js/features/[^/]+/index[.]ts$'] },
        },
        {
            name: 'the-app-opens-features-by-their-doors',
            severity: 'error',
            from: { path: '^resources/js/app/' },
            to: { path: '^resources/js/features/', pathNot: '^resources/js/features/[^/]+/index[.]ts$' },
        },
        {
            name: 'what-tests-need-is-in-no-screen',
            severity: 'error',
            from: { pathNot: '^resources/js/testing/|[.]test[.]tsx?$' },
            to: { path: '^resources/js/testing/' },
        },
        ...FLOORS.slice(1).map((floor, i) => ({
            name: `${floor}-knows-nothing-above-it`,
            severity: 'error',
            from: { path: `^resources/js/${floor}/` },
            to: { path: `^resources/js/(${FLOORS.slice(0, i + 1).join('|')})/` },
        })),
    ],
    options: { tsPreCompilationDeps: true, tsConfig: { fileName: 'tsconfig.json' }, doNotFollow: { path: 'node_modules' } },
};
