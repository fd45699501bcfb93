<?php

declare(strict_types=1);

namespace App\Api;

use App\Actions\BoardAsked;
use FallBend\Core\Report\BoardSummary;

/** The calls about the jobs of a crew as a whole: the board, new jobs, and where jobs stand on it. */
final class BoardDescription
{
    /** @return array<string, mixed> */
    public static function paths(): array
    {
        return self::ofTheBoard() + self::ofShelves();
    }

    /** @return array<string, mixed> */
    private static function ofTheBoard(): array
    {
        return [
            '/api/jobs' => [
                'get' => Calls::describe(
                    'A page of the jobs of the crew, each as it was when it was kept',
                    null,
                    'BoardPage',
                    [422 => 'Problem'],
                ) + [
                    'parameters' => [
                        self::query('shelf', ['enum' => BoardAsked::SHELVES], 'open where it is left out'),
                        self::query('search', ['type' => 'string'], 'A part of the names that are wanted'),
                        self::query(
                            'station',
                            ['enum' => BoardSummary::STATIONS],
                            'The station that has the next thing to do; done: signed',
                        ),
                        self::query('project', ['type' => 'string'], 'To which they belong'),
                        self::query('person', ['type' => 'integer'], 'Who worked on them'),
                        self::query(
                            'order',
                            ['enum' => BoardAsked::ORDERS],
                            'kept (the one kept last first), or name',
                        ),
                        self::query('after', ['type' => 'string'], 'Where the page before ended'),
                    ],
                ],
                'post' => Calls::describe(
                    'Start a job, empty or from a document',
                    [
                        'oneOf' => [
                            Shapes::object(['document' => Shapes::ref('JobDocument')]),
                            Shapes::object([
                                'name' => ['type' => 'string'],
                                'place' => ['type' => 'string'],
                                'units' => ['enum' => ['inch', 'mm']],
                                'rulebook' => ['type' => 'string'],
                            ]),
                        ],
                    ],
                    'Job',
                    [422 => 'Problem'],
                    201,
                ),
            ],
            '/api/jobs/import' => [
                'post' => Calls::describe(
                    'Start a job from the text of a file',
                    Shapes::object(['text' => ['type' => 'string']]),
                    'Job',
                    [422 => 'Problem'],
                    201,
                ),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function ofShelves(): array
    {
        $gone = [404 => 'Problem', 410 => 'Problem'];
        $at = ['parameters' => Calls::ID];

        return [
            '/api/jobs/{id}/archive' => [
                'post' => Calls::describe('Take a job off the board', null, null, $gone, 204) + $at,
            ],
            '/api/jobs/{id}/put-back' => [
                'post' => Calls::describe(
                    'Put an archived or a deleted job back among the open ones',
                    null,
                    null,
                    [404 => 'Problem'],
                    204,
                ) + $at,
            ],
            '/api/jobs/{id}/project' => [
                'put' => Calls::describe(
                    'What a job belongs to, such as the site of several dwellings; empty: to nothing',
                    Shapes::object(['project' => ['type' => 'string', 'maxLength' => 80]]),
                    null,
                    $gone + [403 => 'Problem', 422 => 'Problem'],
                    204,
                ) + $at,
            ],
            '/api/jobs/{id}/copy' => [
                'post' => Calls::describe(
                    'A new job with the plan of another, and nothing of what was done there',
                    Shapes::object(['name' => ['type' => 'string', 'maxLength' => 120]]),
                    'Job',
                    $gone + [422 => 'Problem'],
                    201,
                ) + $at,
            ],
        ];
    }

    /**
     * @param array<string, mixed> $schema
     * @return array<string, mixed>
     */
    private static function query(string $name, array $schema, string $description): array
    {
        $said = ['required' => false, 'schema' => $schema, 'description' => $description];

        return ['name' => $name, 'in' => 'query'] + $said;
    }
}
