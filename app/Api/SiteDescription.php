<?php

declare(strict_types=1);

namespace App\Api;

use FallBend\Core\Site\EntryKind;

/** The calls about what happens on site: the day, the test, the log, the record. */
final class SiteDescription
{
    private const TIME = 'A time with its zone, such as 2026-11-25T09:40:00+01:00';

    private const ZONE = ['zone' => ['type' => 'string', 'description' => 'In which times are said, such as +01:00']];

    /** @return array<string, mixed> */
    public static function paths(): array
    {
        return self::ofADay() + self::ofTheLog() + self::ofTheRecord() + self::ofPhotographs() + self::ofLinks();
    }

    /** What entries of the log say, each kind its own. */
    private const SAID = [
        'run' => ['type' => 'string'],
        'joint' => ['type' => 'integer', 'description' => 'The number of a joint'],
        'piece' => ['type' => 'string', 'description' => 'The key of a piece'],
        'length_mm' => ['type' => 'number', 'description' => 'How long it came out; left out: it is still to be cut'],
        'on' => ['type' => 'string', 'description' => 'The day that stands on a ticket, such as 2026-11-25'],
        'letters' => [
            'type' => 'object',
            'description' => 'What pieces are called on a ticket, by key',
            'additionalProperties' => ['type' => 'string'],
        ],
        'leg' => ['type' => 'string', 'description' => 'The leg that a hanger is on'],
        'at_mm' => ['type' => 'number', 'description' => 'Where on it the hanger is'],
        'below_mm' => [
            'type' => 'number',
            'description' => 'From the string down to the crown; left out: nothing stands there any more',
        ],
        'standing' => ['type' => 'string', 'description' => 'The id of a standing pipe'],
        'evidence' => ['$ref' => '#/components/schemas/JobEvidence'],
        'method' => ['type' => 'string', 'description' => 'How a joint was made'],
        'part' => ['type' => 'string', 'description' => 'With which part or cement, as it is printed on it'],
        'pieces' => [
            'type' => 'object',
            'description' => 'How long pieces of a joint were, or are on a ticket, in mm, by key',
            'additionalProperties' => ['type' => 'number'],
        ],
        'depth' => ['type' => 'boolean', 'description' => 'The depth mark stands at the lip'],
        'angle' => ['type' => 'boolean', 'description' => 'The angle marks meet'],
        'bead' => ['type' => 'boolean', 'description' => 'A bead goes all round'],
        'what' => ['type' => 'string', 'description' => 'What is wrong with a joint, or what a test is made with'],
        'system' => ['type' => 'string', 'description' => 'Pipes that are tested together'],
        'stage' => ['enum' => ['rough-in', 'finished', 'buried']],
        'test' => ['type' => 'string', 'description' => 'The key of the entry by which a test was begun'],
        'value' => ['type' => 'number', 'description' => 'What a gauge shows, in the unit of the test'],
        'dry' => ['type' => 'boolean', 'description' => 'Whether a joint was found dry under test'],
        'check' => ['type' => 'string', 'description' => 'What else was looked at'],
        'ok' => ['type' => 'boolean', 'description' => 'Whether it was as it should be'],
        'name' => ['type' => 'string', 'description' => 'Who signs'],
        'role' => ['type' => 'string'],
        'air_c' => ['type' => 'number'],
        'rh_percent' => ['type' => 'number'],
        'torque_nm' => ['type' => 'number'],
        'from' => ['type' => 'string', 'description' => 'A fixed point that a covered joint was measured from'],
        'from_mm' => ['type' => 'number'],
        'second' => ['type' => 'string', 'description' => 'The other fixed point'],
        'second_mm' => ['type' => 'number'],
        'depth_mm' => ['type' => 'number'],
        'hash' => ['type' => 'string', 'description' => 'The SHA-256 of a picture that was sent'],
        'note' => ['type' => 'string'],
        'entry' => ['type' => 'integer', 'description' => 'The number of the entry that is taken back, or replaced'],
    ];

    /** @return array<string, mixed> what happened on site */
    private static function ofTheLog(): array
    {
        $event = Shapes::object(
            [
                'key' => [
                    'type' => 'string',
                    'description' => 'Made by the device: what has arrived before does not arrive again',
                ],
                'kind' => ['enum' => array_column(EntryKind::cases(), 'value')],
                'made_at' => ['type' => 'string', 'description' => 'By the clock of the device'],
                'age_s' => ['type' => 'number', 'description' => 'How long ago it happened, in seconds'],
            ],
            self::SAID,
        );
        $answer = self::logAnswer();
        $after = ['name' => 'after', 'in' => 'query', 'required' => false, 'schema' => ['type' => 'integer']];

        return [
            '/api/jobs/{id}/log' => [
                'get' => Calls::describe('What happened on site, after an entry', null, $answer, [404 => 'Problem']) + [
                    'parameters' => [...Calls::ID, $after, self::HERE],
                ],
                'post' => Calls::describe(
                    'Append what happened on site, each thing once; nothing is kept where one of them is wrong',
                    Shapes::object(['device' => ['type' => 'string'], 'entries' => Shapes::list($event)]),
                    $answer,
                    [404 => 'Problem', 422 => 'Problem'],
                ) + ['parameters' => Calls::ID],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function logAnswer(): array
    {
        $there = Shapes::object([
            'name' => ['type' => 'string'],
            'me' => ['type' => 'boolean', 'description' => 'Another page of whoever asks'],
            'station' => ['type' => 'string'],
        ]);

        return Shapes::object([
            'entries' => Shapes::list(Shapes::ref('LogEntry')),
            'length' => ['type' => 'integer'],
            'here' => Shapes::list($there),
            'now' => ['type' => 'string', 'description' => 'The time by the clock of the server'],
        ]);
    }

    private const HERE = [
        'name' => 'Here',
        'in' => 'header',
        'required' => false,
        'schema' => ['type' => 'string'],
        'description' => 'The name of the page that asks, and the station that it shows: who else is there is told',
    ];

    /** @return array<string, mixed> the day in which a run is joined, and the test after it */
    private static function ofADay(): array
    {
        $time = ['type' => 'string', 'description' => self::TIME];
        $asked = Shapes::object(
            [
                'document' => Shapes::ref('JobDocument'),
                'run' => ['type' => 'string'],
                'people' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 2],
                'start' => $time,
            ],
            ['closed_to_house' => Shapes::object(['from' => $time, 'until' => $time])],
        );

        return [
            '/api/joined' => [
                'post' => Calls::describe(
                    'Where a plan that is being changed says something else than what is joined of a run',
                    Shapes::object([
                        'document' => Shapes::ref('JobDocument'),
                        'job' => ['type' => 'string', 'description' => 'The id of the job, whose log it is'],
                        'run' => ['type' => 'string'],
                    ]),
                    Shapes::object(['findings' => Shapes::list(Shapes::ref('Finding'))]),
                    [404 => 'Problem', 422 => 'Problem'],
                ),
            ],
            '/api/test' => [
                'post' => Calls::describe(
                    'How the pipes of a run are tested at a stage: what is plugged and filled, what was read, seen, '.
                        'and how far it is',
                    Shapes::object(
                        [
                            'document' => Shapes::ref('JobDocument'),
                            'run' => ['type' => 'string'],
                            'stage' => self::SAID['stage'],
                        ],
                        ['hose_l_per_min' => ['type' => 'number']] + self::ZONE,
                    ),
                    'Testing',
                    [422 => 'Problem'],
                ),
            ],
            '/api/day/calendar' => [
                'post' => Calls::describe(
                    'The day in which a run is joined as an iCalendar file',
                    $asked,
                    null,
                    [404 => 'Problem', 422 => 'Problem'],
                ),
            ],
            '/api/day' => [
                'post' => Calls::describe(
                    'The day in which a run is joined: who joins what and when, when it may be moved and filled, '.
                        'when the line is closed to the house',
                    $asked,
                    'RunDay',
                    [422 => 'Problem'],
                ),
            ],
        ];
    }

    /** @return array<string, mixed> the record */
    private static function ofTheRecord(): array
    {
        $asked = [
            'document' => Shapes::ref('JobDocument'),
            'job' => ['type' => 'string', 'description' => 'The id of the job, whose log it is'],
        ];

        return [
            '/api/record' => [
                'post' => Calls::describe(
                    'The record of a job: what stands, who made it and when, what was tested, who stands for it',
                    Shapes::object($asked, self::ZONE),
                    'JobRecord',
                    [404 => 'Problem', 422 => 'Problem'],
                ),
            ],
            '/api/record/file' => [
                'post' => Calls::describe(
                    'The record as a file: on paper, its joints as a table, its pipes as GeoJSON; see docs/files.md',
                    Shapes::object($asked + ['format' => ['enum' => ['pdf', 'csv', 'geojson']]], [
                        ...self::ZONE,
                        'origin' => Shapes::object(['lon' => ['type' => 'number'], 'lat' => ['type' => 'number']]),
                        'link' => ['type' => 'string', 'description' => 'Stands on the paper'],
                        'squares' => [
                            ...Shapes::list(['type' => 'string']),
                            'description' => 'The link as a code of squares, rows of 0 and 1',
                        ],
                    ]),
                    null,
                    [404 => 'Problem', 422 => 'Problem'],
                ),
            ],
        ];
    }

    /** @return array<string, mixed> pictures that the log names */
    private static function ofPhotographs(): array
    {
        $hash = ['name' => 'hash', 'in' => 'path', 'required' => true, 'schema' => ['type' => 'string']];
        $token = ['name' => 'token', 'in' => 'path', 'required' => true, 'schema' => ['type' => 'string']];

        return [
            '/api/jobs/{id}/photographs' => [
                'post' => Calls::describe(
                    'Send a picture, JPEG or PNG of at most 3 MB, as the body itself; the log names it by its hash',
                    null,
                    'SentPhotograph',
                    [404 => 'Problem', 422 => 'Problem'],
                    201,
                ) + ['parameters' => Calls::ID],
            ],
            '/api/jobs/{id}/photographs/{hash}' => [
                'get' => Calls::describe('A picture of a job', null, null, [404 => 'Problem']) + [
                    'parameters' => [...Calls::ID, $hash],
                ],
            ],
            '/api/shared/{token}/photographs/{hash}' => [
                'get' => Calls::describe('A picture in the record that a link opens', null, null, [
                    404 => 'Problem',
                ]) + ['parameters' => [$token, $hash]],
            ],
        ];
    }

    /** @return array<string, mixed> links by which the record is read without an account */
    private static function ofLinks(): array
    {
        $token = ['name' => 'token', 'in' => 'path', 'required' => true, 'schema' => ['type' => 'string']];
        $share = ['name' => 'share', 'in' => 'path', 'required' => true, 'schema' => ['type' => 'integer']];
        $zone = ['name' => 'zone', 'in' => 'query', 'required' => false, 'schema' => self::ZONE['zone']];

        return [
            '/api/jobs/{id}/shares' => [
                'get' => Calls::describe(
                    'The links by which the record is read without an account',
                    null,
                    Shapes::object(['shares' => Shapes::list(Shapes::ref('Share'))]),
                    [404 => 'Problem'],
                ) + ['parameters' => Calls::ID],
                'post' => Calls::describe(
                    'A new link; what stands in it is said this once',
                    Shapes::object([
                        'for' => ['type' => 'string'],
                        'days' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 365],
                    ]),
                    'NewShare',
                    [404 => 'Problem', 422 => 'Problem'],
                    201,
                ) + ['parameters' => Calls::ID],
            ],
            '/api/jobs/{id}/shares/{share}' => [
                'delete' => Calls::describe('Withdraw a link', null, null, [404 => 'Problem'], 204) + [
                    'parameters' => [...Calls::ID, $share],
                ],
            ],
            '/api/shared/{token}' => [
                'get' => Calls::describe(
                    'The record that a link opens, without an account',
                    null,
                    'SharedRecord',
                    [404 => 'Problem'],
                ) + ['parameters' => [$token, $zone]],
            ],
        ];
    }
}
