<?php

declare(strict_types=1);

namespace App\Api;

use App\Files\JobCsv;
use App\Models\OwnEntry;
use FallBend\Core\Drawing\RunViews;
use FallBend\Core\Reckon\Reckoners;
use stdClass;

/**
 * The OpenAPI 3.1 description of the HTTP interface. Written to docs/openapi.json by `php artisan api:describe`; held
 * to routes and answers by tests.
 */
final readonly class Description
{
    private const WANT = [
        'name' => 'want',
        'in' => 'query',
        'required' => false,
        'schema' => ['type' => 'string'],
        'description' => 'The parts that are wanted, with commas between',
    ];

    public function __construct(private Reckoners $reckoners) {}

    /** @return array<string, mixed> */
    public function document(): array
    {
        return [
            'openapi' => '3.1.0',
            'info' => [
                'title' => 'Fall Bend',
                'version' => '1',
                'description' => 'Signed in by a session cookie; every change carries the token of the XSRF-TOKEN cookie in the header X-XSRF-TOKEN. A write may carry a key of the asker\'s making in the header Idempotency-Key (8 to 80 letters, digits, hyphens): sent again with the same key it is carried out once, and answered as before.',
            ],
            'paths' => $this->paths(),
            'components' => ['schemas' => $this->jobDocument() + Shapes::all() + $this->reckonSchemas()],
        ];
    }

    /** The description as the file holds it. */
    public function json(): string
    {
        return json_encode(
            $this->document(),
            JSON_THROW_ON_ERROR |
                JSON_PRETTY_PRINT |
                JSON_UNESCAPED_SLASHES |
                JSON_UNESCAPED_UNICODE |
                JSON_PRESERVE_ZERO_FRACTION,
        )."\n";
    }

    /** Questions about a document, which may name the job that it is of. */
    private const OF_A_JOB = [
        '/api/evaluate',
        '/api/repeat',
        '/api/make-up',
        '/api/hang',
        '/api/cut',
        '/api/books',
        '/api/materials',
        '/api/order',
        '/api/day',
        '/api/test',
        '/api/day/calendar',
        '/api/csv',
        '/api/drawing',
        '/api/ticket',
        '/api/wrap',
        '/api/joint',
        '/api/joints',
    ];

    /** @return array<string, mixed> */
    private function paths(): array
    {
        $paths =
            PeopleDescription::paths() +
            self::ofForms() +
            self::ofBooks() +
            BoardDescription::paths() +
            self::ofOneJob() +
            self::ofItsRevisions() +
            self::ofRuns() +
            self::ofWholeJobs() +
            SiteDescription::paths() +
            self::ofFiles() +
            self::ofJoints() +
            self::ofTemplates() +
            self::ofCatalogue() +
            self::ofPrices() +
            $this->ofQuestions();
        foreach (self::OF_A_JOB as $path) {
            $place = [$path, 'post', 'requestBody', 'content', 'application/json', 'schema', 'properties'];
            data_set($paths, [...$place, 'job'], [
                'type' => 'string',
                'description' => 'The job that the document is of: the numbers of its crew go before the lists',
            ]);
            data_set($paths, [...$place, 'document_of'], self::documentOf());
        }

        /** @var array<string, mixed> $paths */
        return $paths;
    }

    /** @return array<string, mixed> a document that is sent as what differs from a revision of its job */
    private static function documentOf(): array
    {
        $operation = Shapes::object(
            ['op' => ['enum' => ['add', 'remove', 'replace']], 'path' => ['type' => 'string']],
            ['value' => new stdClass],
        );

        return [
            ...Shapes::object([
                'revision' => ['type' => 'integer'],
                'patch' => Shapes::list($operation),
                'sums' => Shapes::object([
                    'leaves' => ['type' => 'integer'],
                    'letters' => ['type' => 'integer'],
                    'numbers' => ['type' => 'integer'],
                ]),
            ]),
            'description' => 'In place of `document`: a JSON Patch (RFC 6902) to a revision of the job, and sums over '.
                'what it comes to (App\\Http\\SentDocument). Where that cannot be put together the answer is 409, '.
                '`base-unknown`.',
        ];
    }

    /** @return array<string, mixed> */
    private static function from(): array
    {
        return self::wanting(['from' => ['type' => 'integer']]);
    }

    /** @return array<string, mixed> a step back or forth */
    private static function step(): array
    {
        return Calls::describe('The job after it', self::from(), self::either('Job', 'JobInParts'), [
            409 => 'Stale',
            404 => 'Problem',
        ]) + ['parameters' => Calls::ID];
    }

    /** @return array<string, mixed> */
    private static function ofForms(): array
    {
        return [
            '/api/choices' => ['get' => Calls::describe('What there is to choose from in forms', null, 'Choices')],
            ...self::ofStarts(),
            ...self::ofHowTos(),
        ];
    }

    /** @return array<string, mixed> */
    private static function ofHowTos(): array
    {
        return [
            '/api/how-to' => [
                'get' => Calls::describe(
                    'How things are done that are no run of pipe',
                    null,
                    Shapes::object(['how_to' => ['type' => 'array', 'items' => Shapes::ref('HowTo')]]),
                ) + [
                    'parameters' => [
                        [
                            'name' => 'units',
                            'in' => 'query',
                            'required' => false,
                            'schema' => ['enum' => ['inch', 'mm']],
                        ],
                    ],
                ],
            ],
            '/api/how-to/{howTo}' => [
                'post' => Calls::describe(
                    'The lengths, the parts and the steps that follow from what was measured',
                    Shapes::object([
                        'values' => ['type' => 'object', 'additionalProperties' => ['type' => 'string']],
                        'units' => ['enum' => ['inch', 'mm']],
                    ]),
                    'HowToAnswer',
                    [404 => 'Problem', 422 => 'Problem'],
                ) + ['parameters' => [['name' => 'howTo'] + Calls::ID[0]]],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function ofStarts(): array
    {
        return [
            '/api/starts' => [
                'get' => Calls::describe(
                    'Tasks that a job can begin with',
                    null,
                    Shapes::object(['starts' => ['type' => 'array', 'items' => Shapes::ref('Start')]]),
                ),
            ],
            '/api/starts/{start}' => [
                'post' => Calls::describe(
                    'The job that the answers to a start make',
                    Shapes::object([
                        'values' => ['type' => 'object', 'additionalProperties' => ['type' => 'string']],
                        'name' => ['type' => 'string'],
                        'rulebook' => ['type' => 'string'],
                    ]),
                    Shapes::object([
                        'answer' => Shapes::ref('StartAnswer'),
                        'document' => ['anyOf' => [Shapes::ref('JobDocument'), ['type' => 'null']]],
                    ]),
                    [404 => 'Problem', 422 => 'Problem'],
                ) + [
                    'parameters' => [
                        ['name' => 'start', 'in' => 'path', 'required' => true, 'schema' => ['type' => 'string']],
                    ],
                ],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function ofOneJob(): array
    {
        return [
            '/api/jobs/{id}' => [
                'get' => Calls::describe('A job with its evaluation', null, self::either('Job', 'JobInParts'), [
                    404 => 'Problem',
                    422 => 'Unreadable',
                ]) + ['parameters' => [...Calls::ID, self::WANT]],
                'put' => Calls::describe(
                    'Keep an edit that started from a revision',
                    self::wanting([
                        'from' => ['type' => 'integer'],
                        'gesture' => ['type' => 'string', 'maxLength' => 40],
                        'document' => Shapes::ref('JobDocument'),
                    ]),
                    self::either('Job', 'KeptInParts'),
                    [409 => 'Stale', 404 => 'Problem', 410 => 'Problem', 422 => 'Problem'],
                ) + ['parameters' => Calls::ID],
                'delete' => Calls::describe(
                    'Delete a job: it can be put back for 30 days',
                    null,
                    null,
                    [404 => 'Problem'],
                    204,
                ) + ['parameters' => Calls::ID],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function ofItsRevisions(): array
    {
        return [
            '/api/jobs/{id}/undo' => ['post' => self::step()],
            '/api/jobs/{id}/redo' => ['post' => self::step()],
            '/api/jobs/{id}/back' => [
                'post' => Calls::describe(
                    'The job going on from an older revision, where the newest cannot be read',
                    Shapes::object(['from' => ['type' => 'integer'], 'to' => ['type' => 'integer']]),
                    'Job',
                    [409 => 'Stale', 404 => 'Problem', 422 => 'Problem'],
                ) + ['parameters' => Calls::ID],
            ],
            '/api/jobs/{id}/raw' => [
                'get' => Calls::describe('The newest revision as it is stored, whether it can be read or not', null, null, [
                    404 => 'Problem',
                ]) + ['parameters' => Calls::ID],
            ],
            '/api/jobs/{id}/file' => [
                'get' => Calls::describe('The job file', null, 'JobDocument', [404 => 'Problem']) + [
                    'parameters' => Calls::ID,
                ],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function ofRuns(): array
    {
        return [
            '/api/evaluate' => [
                'post' => Calls::describe(
                    'Evaluate a job, optionally with a call-out line read into one of its runs',
                    self::wanting(
                        ['document' => Shapes::ref('JobDocument')],
                        ['call_out' => Shapes::object(['run' => ['type' => 'string'], 'text' => ['type' => 'string']])],
                    ),
                    self::either('Evaluated', 'EvaluatedInParts'),
                    [404 => 'Problem', 422 => 'Problem'],
                ),
            ],
            '/api/repeat' => [
                'post' => Calls::describe(
                    'A run with all that meets it once more, or several times more, as it is or mirrored',
                    self::wanting([
                        'document' => Shapes::ref('JobDocument'),
                        'run' => ['type' => 'string'],
                        'step_mm' => ['type' => 'number'],
                        'times' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 50],
                        'mirrored' => ['type' => 'boolean'],
                    ]),
                    self::either('Evaluated', 'EvaluatedInParts'),
                    [404 => 'Problem', 422 => 'Problem'],
                ),
            ],
            '/api/make-up' => [
                'post' => Calls::describe(
                    'The ways of making up the pipe between two ends of a run, each with the legs that it makes of it',
                    MakeUpQuestion::shape(),
                    'MadeUp',
                    [422 => 'Problem'],
                ),
            ],
            '/api/hang' => [
                'post' => Calls::describe(
                    'Where a run is hung, what is measured down to it from a string, what hangs between two hangers, and how far its legs grow',
                    Shapes::object(['document' => Shapes::ref('JobDocument'), 'run' => ['type' => 'string']]),
                    Shapes::ref('HangingReport'),
                    [422 => 'Problem'],
                ),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function ofBooks(): array
    {
        return [
            '/api/books/{book}' => [
                'get' => Calls::describe(
                    'What of a book is judged here, clause by clause',
                    null,
                    Shapes::object(['rows' => Shapes::list(Shapes::ref('CoverageRow'))]),
                    [404 => 'Problem'],
                ) + ['parameters' => [['name' => 'book'] + Calls::ID[0]]],
            ],
            '/api/books' => [
                'post' => Calls::describe(
                    'What would be said otherwise of a job under another book',
                    Shapes::object(
                        ['document' => Shapes::ref('JobDocument'), 'rulebook' => ['type' => 'string']],
                        ['amendments' => Shapes::ref('Amendments')],
                    ),
                    Shapes::object(['rows' => Shapes::list(Shapes::ref('BookDifference'))]),
                    [422 => 'Problem'],
                ),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function ofWholeJobs(): array
    {
        return [
            '/api/cut' => [
                'post' => Calls::describe(
                    'What is to be cut now, once some pieces came out as they did, and from which sticks',
                    Shapes::object(['document' => Shapes::ref('JobDocument'), 'run' => ['type' => 'string']]),
                    Shapes::ref('CuttingReport'),
                    [422 => 'Problem'],
                ),
            ],
            '/api/materials' => [
                'post' => Calls::describe(
                    'All that a job takes, by shelf: what is bought, tools, what is taken along; and its hours',
                    Shapes::object(['document' => Shapes::ref('JobDocument')]),
                    Shapes::object([
                        'rows' => Shapes::list(Shapes::ref('MaterialRow')),
                        'total' => ['type' => ['number', 'null']],
                        'hours' => Shapes::list(Shapes::ref('HoursRow')),
                    ]),
                    [422 => 'Problem'],
                ),
            ],
            '/api/order' => [
                'post' => Calls::describe(
                    'In what order a run goes together where its ends stand, or what frees it, null where it is no chain; and which joint between two ends that stand is best made last',
                    Shapes::object(['document' => Shapes::ref('JobDocument'), 'run' => ['type' => 'string']]),
                    Shapes::object([
                        'order' => Shapes::orNull(Shapes::ref('RunOrder')),
                        'closing' => Shapes::orNull(Shapes::ref('RunClosing')),
                    ]),
                    [422 => 'Problem'],
                ),
            ],
            '/api/lengths' => [
                'post' => Calls::describe(
                    'Read the lengths of a form, each as a tape says it; what is not understood is said in its place',
                    Shapes::object([
                        'texts' => Shapes::list(['type' => 'string']),
                        'units' => ['enum' => ['inch', 'mm']],
                    ]),
                    'Lengths',
                    [422 => 'Problem'],
                ),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function ofFiles(): array
    {
        return [
            '/api/csv' => [
                'post' => Calls::describe(
                    'One list of the job as a table, see docs/files.md',
                    Shapes::object(['document' => Shapes::ref('JobDocument'), 'list' => ['enum' => JobCsv::LISTS]]),
                    null,
                    [422 => 'Problem'],
                ),
            ],
            '/api/drawing' => [
                'post' => Calls::describe(
                    'A run as a drawing in an open format, see docs/files.md; the model has no view, on paper there are all',
                    Shapes::object(
                        [
                            'document' => Shapes::ref('JobDocument'),
                            'run' => ['type' => 'string'],
                            'format' => ['enum' => ['dxf', 'svg', 'gltf', 'pdf']],
                        ],
                        ['view' => ['enum' => RunViews::VIEWS], 'paper' => ['enum' => ['A4', 'LETTER']]],
                    ),
                    null,
                    [422 => 'Problem'],
                ),
            ],
            '/api/ticket' => [
                'post' => Calls::describe(
                    'The cut ticket of a run on paper, with the run from three sides; `on` is the day that stands on it',
                    Shapes::object(
                        [
                            'document' => Shapes::ref('JobDocument'),
                            'run' => ['type' => 'string'],
                            'on' => ['type' => 'string'],
                        ],
                        ['paper' => ['enum' => ['A4', 'LETTER']]],
                    ),
                    null,
                    [422 => 'Problem'],
                ),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function ofCatalogue(): array
    {
        return [
            '/api/catalogue' => [
                'get' => Calls::describe(
                    'Rows of the catalogue, with the crew\'s own numbers over them',
                    null,
                    'CataloguePage',
                    [422 => 'Problem'],
                ) + [
                    'parameters' => array_map(
                        static fn (string $name): array => [
                            'name' => $name,
                            'in' => 'query',
                            'required' => $name === 'kind',
                            'schema' => ['type' => 'string'],
                        ],
                        ['kind', 'search', 'system', 'size', 'rulebook'],
                    ),
                ],
            ],
            '/api/catalogue/own' => [
                'get' => Calls::describe(
                    'What the crew measured and added',
                    null,
                    Shapes::object(['own' => Shapes::list(Shapes::ref('OwnEntry'))]),
                ),
                'post' => Calls::describe(
                    'Set a number, or add a row',
                    Shapes::object(['kind' => ['enum' => OwnEntry::OF_CATALOGUE], 'entry' => ['type' => 'object']]),
                    'OwnEntry',
                    [422 => 'Problem'],
                    201,
                ),
            ],
            '/api/catalogue/own/{entry}' => [
                'delete' => Calls::describe(
                    'Take one back, unless others rest on it',
                    null,
                    null,
                    [404 => 'Problem', 422 => 'Problem'],
                    204,
                ) + ['parameters' => Calls::ENTRY],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function ofPrices(): array
    {
        return [
            '/api/amendments' => [
                'get' => Calls::describe(
                    'What towns and inspectors have otherwise than the books, as the crew keeps it',
                    null,
                    Shapes::object(['amendments' => Shapes::list(Shapes::ref('KeptAmendments'))]),
                ),
                'put' => Calls::describe(
                    'Keep amendments in place of those of the same name',
                    Shapes::ref('Amendments'),
                    Shapes::object(['amendments' => Shapes::list(Shapes::ref('KeptAmendments'))]),
                    [422 => 'Problem'],
                ),
            ],
            '/api/amendments/{entry}' => [
                'delete' => Calls::describe('Keep them no longer', null, null, [404 => 'Problem'], 204) + [
                    'parameters' => Calls::ENTRY,
                ],
            ],
            '/api/prices' => [
                'get' => Calls::describe('What things and sticks cost the crew, whatever the job', null, 'CrewPrices'),
                'put' => Calls::describe(
                    'Keep prices, each in place of what was kept of the same before; all of them, or none',
                    Shapes::object([
                        'prices' => Shapes::list(Shapes::ref('JobPrice')),
                        'sticks' => Shapes::list(Shapes::object(Shapes::STICK_PRICE)),
                    ]),
                    'CrewPrices',
                    [422 => 'Problem', 403 => 'Problem'],
                ),
            ],
            '/api/prices/{entry}' => [
                'delete' => Calls::describe('Keep a price no longer', null, null, [404 => 'Problem'], 204) + [
                    'parameters' => Calls::ENTRY,
                ],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private function ofQuestions(): array
    {
        return [
            '/api/questions/{key}' => [
                'delete' => Calls::describe(
                    'Call off a heavy question that was asked with this key in the header Question-Key',
                    null,
                    null,
                    [],
                    204,
                ) + [
                    'parameters' => [
                        ['name' => 'key', 'in' => 'path', 'required' => true, 'schema' => ['type' => 'string']],
                    ],
                ],
            ],
            '/api/reckon/{name}' => [
                'post' => Calls::describe(
                    'One reckoner',
                    ['oneOf' => $this->reckonRefs('Input')],
                    ['oneOf' => $this->reckonRefs('Output')],
                    [422 => 'ReckonProblem', 404 => 'Problem'],
                ) + [
                    'parameters' => [
                        [
                            'name' => 'name',
                            'in' => 'path',
                            'required' => true,
                            'schema' => ['enum' => array_keys($this->reckoners->list())],
                        ],
                    ],
                ],
            ],
        ];
    }

    /**
     * @param array<string, mixed> $required
     * @param array<string, mixed> $optional beside `want`
     * @return array<string, mixed> the shape of what may say which parts of the answer are wanted
     */
    private static function wanting(array $required, array $optional = []): array
    {
        return Shapes::object($required, $optional + ['want' => Shapes::ref('Want')]);
    }

    /** @return array<string, mixed> the one shape where the whole is wanted, the other where parts are */
    private static function either(string $whole, string $inParts): array
    {
        return ['oneOf' => [Shapes::ref($whole), Shapes::ref($inParts)]];
    }

    /** @return array<string, mixed> the schema of the job file, with its parts as shapes of their own */
    private function jobDocument(): array
    {
        $text = (string) file_get_contents(base_path('core/data/schemas/job.json'));
        $names = [
            'leg' => 'JobLeg',
            'unread' => 'JobLegUnread',
            'run' => 'JobRun',
            'overrides' => 'JobOverrides',
            'standing' => 'JobStanding',
            'single' => 'JobSingle',
            'fixture' => 'JobFixture',
            'branch' => 'JobBranch',
            'terminal' => 'JobTerminal',
            'obstacle' => 'JobObstacle',
            'move' => 'JobMove',
            'hanging' => 'JobHanging',
            'cutting' => 'JobCutting',
            'price' => 'JobPrice',
            'evidence' => 'JobEvidence',
        ];
        foreach ($names as $name => $shape) {
            $text = str_replace("#/\$defs/{$name}\"", "#/components/schemas/{$shape}\"", $text);
        }
        /** @var array<string, mixed> $schema */
        $schema = json_decode($text, true, 64, JSON_THROW_ON_ERROR);
        /** @var array<string, mixed> $parts */
        $parts = $schema['$defs'];
        unset($schema['$schema'], $schema['$id'], $schema['$defs']);
        // The log of a file is asked for by itself.
        $schema['properties'] = array_diff_key((array) $schema['properties'], ['log' => 0]);
        $shapes = ['JobDocument' => $schema];
        foreach ($names as $name => $shape) {
            // What a leg may not say together stands in the job file's own schema; types cannot say it.
            $shapes[$shape] = array_diff_key((array) $parts[$name], [
                'anyOf' => 1,
                'not' => 1,
                'dependentRequired' => 1,
            ]);
        }

        return $shapes;
    }

    /** @return array<string, mixed> */
    private function reckonSchemas(): array
    {
        $shapes = [];
        foreach (array_keys($this->reckoners->list()) as $name) {
            foreach (['input', 'output'] as $side) {
                /** @var array<string, mixed> $schema */
                $schema = $this->reckoners->schema($name)[$side];
                unset($schema['$schema'], $schema['$defs']);
                $text = str_replace(
                    ['#\/$defs\/finding"', '#\/$defs\/source"'],
                    ['#\/components\/schemas\/Finding"', '#\/components\/schemas\/Source"'],
                    json_encode($schema, JSON_THROW_ON_ERROR),
                );
                $shapes[self::shapeName($name, ucfirst($side))] = json_decode($text, false, 64, JSON_THROW_ON_ERROR);
            }
        }

        return $shapes;
    }

    /** @return list<array<string, mixed>> */
    private function reckonRefs(string $side): array
    {
        return array_map(
            static fn (string $name): array => Shapes::ref(self::shapeName($name, $side)),
            array_keys($this->reckoners->list()),
        );
    }

    private static function shapeName(string $reckoner, string $side): string
    {
        return str_replace(' ', '', ucwords(str_replace('-', ' ', $reckoner))).$side;
    }

    /** @return array<string, mixed> */
    private static function ofTemplates(): array
    {
        return [
            '/api/wrap' => [
                'post' => Calls::describe(
                    'Wrap strips in full size: of one piece as SVG, of all of a run as PDF',
                    Shapes::object(
                        [
                            'document' => Shapes::ref('JobDocument'),
                            'run' => ['type' => 'string'],
                            'format' => ['enum' => ['svg', 'pdf']],
                        ],
                        ['piece' => ['type' => 'string'], 'paper' => ['enum' => ['A4', 'LETTER']]],
                    ),
                    null,
                    [422 => 'Problem'],
                ),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function ofJoints(): array
    {
        return [
            '/api/joint' => [
                'post' => Calls::describe(
                    'Everything about one joint: of a run by its key, or a single one by its id',
                    Shapes::object(
                        ['document' => Shapes::ref('JobDocument')],
                        [
                            'run' => ['type' => 'string'],
                            'joint' => ['type' => 'string'],
                            'single' => ['type' => 'string'],
                        ],
                    ),
                    'JointCard',
                    [422 => 'Problem'],
                ),
            ],
            '/api/joints' => [
                'post' => Calls::describe(
                    'Everything about all joints of a run, or about all single ones where no run is said',
                    Shapes::object(['document' => Shapes::ref('JobDocument')], ['run' => ['type' => 'string']]),
                    Shapes::object(['cards' => Shapes::list(Shapes::ref('JointCard'))]),
                    [422 => 'Problem', 429 => 'Problem', 503 => 'Problem'],
                ),
            ],
        ];
    }
}
