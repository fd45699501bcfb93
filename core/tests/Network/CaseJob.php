<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Network;

use FallBend\Core\CallOut\CallOutReader;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Layout\JobCompiler;
use FallBend\Core\Measure\Units;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\NetworkBuilder;
use FallBend\Core\Network\Segment;
use FallBend\Core\Report\EvaluationReport;

/** Writes small jobs as job files, their legs as they would be called out, and says what the evaluation finds. */
final class CaseJob
{
    /** A house like many, in which all is said that books ask of it. */
    private const BUILDING = [
        'storeys' => 2,
        'one_family' => true,
        'coldest_c' => 0,
        'whole' => false,
        'renovation' => false,
    ];

    /** What keeps the seal of a fixture, or waste from it. */
    private const GUARDS = ['floor-drain' => 'primer', 'dishwasher' => 'air-gap'];

    /**
     * Takes a rulebook, runs as `id => [from, call-out, to, more fields]`, obstacles; gives the job as its file would
     * be read.
     *
     * From: `lavatory`, or `lavatory trap=s seal=20 rim=600 group=a` (lengths in mm), or `roof`, `valve`, `cap`,
     * `cleanout`, `socket`, `vent off RUN LEG MM` (or `turn`), `standing`, `standing vent` where that is only a vent.
     * To: `RUN LEG MM`, `socket`, `gully`, `roof`, `valve`, `on RUN`.
     *
     * @param array<string, array{0: string, 1: string, 2: string, 3?: array<string, mixed>}> $runs
     * @param list<array<string, mixed>> $obstacles
     * @param list<array<string, mixed>> $overrides of the catalogue
     * @param array<string, mixed> $building what is said of it
     */
    public static function of(
        string $book,
        array $runs,
        array $obstacles = [],
        array $overrides = [],
        array $building = [],
    ): Job {
        $catalogue = Catalogue::shipped();
        $units = $book === 'adh-2015' ? Units::Millimetre : Units::Inch;
        $documents = [];
        foreach ($runs as $id => $run) {
            [$from, $legs, $to] = $run;
            $more = $run[3] ?? [];
            $system = is_string($more['system'] ?? null)
                ? $more['system']
                : ($units === Units::Inch
                    ? 'pvc-dwv-40'
                    : 'pvcu-solvent');
            $isVent = str_starts_with($from, 'vent off') || ($more['use'] ?? '') === 'vent';
            $documents[] = $more + [
                'id' => $id,
                'name' => "the {$id}",
                'system' => $system,
                'size' => $units === Units::Inch ? '2' : '40',
                'use' => $isVent
                    ? 'vent'
                    : (preg_match('/^[a-z-]+( |$)/', $from) === 1 &&
                    ! in_array(
                        explode(' ', $from)[0],
                        ['roof', 'valve', 'cap', 'cleanout', 'socket', 'run', 'standing'],
                        true,
                    )
                        ? 'fixture-drain'
                        : 'drain'),
                'outlet' => self::from($from, $id),
                'tie_in' => self::to($to),
                'heading_deg' => 0,
                'legs' => self::legs($legs, $units, $catalogue->system($system)->sizes()),
            ];
        }
        $document = [
            'format' => JobFile::FORMAT,
            'version' => JobFile::VERSION,
            'name' => 'A case',
            'units' => $units->value,
            'rulebook' => $book,
            ...$building === [] ? [] : ['building' => $building],
            'runs' => $documents,
            'standing' => self::standing($runs, $units),
            'obstacles' => array_map(
                static fn (array $o, int $i): array => $o + ['id' => "o{$i}"],
                $obstacles,
                array_keys($obstacles),
            ),
            'overrides' => ['catalogue' => $overrides, 'rulebook' => [], 'rows' => []],
        ];

        return (new JobFile($catalogue))->parse(json_encode($document, JSON_THROW_ON_ERROR));
    }

    /**
     * Gives the network of the same runs.
     *
     * @param array<string, array{0: string, 1: string, 2: string, 3?: array<string, mixed>}> $runs
     * @param array<string, mixed> $building what is said of it
     */
    public static function network(string $book, array $runs, array $building = []): Network
    {
        $catalogue = Catalogue::shipped();
        $rulebook = $catalogue->rulebook($book);
        $layout = (new JobCompiler($catalogue, $rulebook, self::of($book, $runs, building: $building)))->compile();

        return NetworkBuilder::build($layout, $catalogue, $rulebook);
    }

    /** @return list<Segment> of one run */
    public static function segments(Network $network, string $run): array
    {
        return array_values(
            array_filter($network->segments, static fn (Segment $segment): bool => $segment->run() === $run),
        );
    }

    /**
     * @return list<string> the findings of a job as `rule@run`, sorted; stops and warnings only, or with what is not
     *     known
     */
    public static function findings(Job $job, bool $withUnknown = false): array
    {
        $found = [];
        foreach (self::evaluation($job)['runs'] as $run) {
            foreach ($run['findings'] as $finding) {
                $isAsked =
                    $withUnknown &&
                    $finding['severity'] === 'unknown' &&
                    ! in_array($finding['rule'], ['fitting.unmeasured', 'run.notLevelled'], true);
                if (in_array($finding['severity'], ['stop', 'warn'], true) || $isAsked) {
                    $found["{$finding['rule']}@{$run['id']}"] = true;
                }
            }
        }
        ksort($found);

        return array_keys($found);
    }

    /**
     * The same job with every fitting measured and every end levelled that nobody had: what would be asked for on site
     * is answered.
     */
    public static function measured(Job $job): Job
    {
        $document = (new JobFile(Catalogue::shipped()))->document($job);
        $rows = [];
        foreach (self::evaluation($job)['runs'] as $i => $run) {
            foreach ($run['fittings'] as $fitting) {
                $part = Catalogue::shipped()->system($run['system']['key'])->branches[$fitting['row']] ?? null;
                foreach (
                    $part === null
                        ? []
                        : [
                            'run_in_mm' => $part->runInMm,
                            'run_out_mm' => $part->runOutMm,
                            'branch_mm' => $part->branchMm,
                        ] as $field => $value
                ) {
                    $rows["{$run['system']['key']} {$fitting['row']} {$field}"] = [
                        'table' => $run['system']['key'],
                        'row' => $fitting['row'],
                        'field' => $field,
                        'value' => round($value, 4),
                    ];
                }
                if ($part === null && $fitting['doubt'] !== null) {
                    $rows["{$run['system']['key']} {$fitting['row']}"] = [
                        'table' => $run['system']['key'],
                        'row' => $fitting['row'],
                        'field' => 'take_off_mm',
                        'value' => round($fitting['take_off']['mm'], 4),
                    ];
                }
            }
            $kind = $job->runs[$i]->tieIn->kind;
            if (
                in_array($kind, [RunEndKind::Socket, RunEndKind::Gully], true) &&
                ! $job->runs[$i]->outlet->isOpenToAir()
            ) {
                $document['runs'][$i]['level_difference_mm'] = round($run['totals']['fall']['mm'], 6);
            }
        }
        $document['overrides']['catalogue'] = array_values($rows);
        $document['building'] = ($document['building'] ?? []) + self::BUILDING;
        foreach ($document['runs'] as $i => $run) {
            $guard = self::GUARDS[$run['outlet']['fixture']['kind'] ?? ''] ?? null;
            if ($guard !== null) {
                $document['runs'][$i]['outlet']['fixture'] += ['guard' => $guard];
            }
        }

        return (new JobFile(Catalogue::shipped()))->parse(json_encode($document, JSON_THROW_ON_ERROR));
    }

    /** @return array<string, mixed> */
    public static function evaluation(Job $job): array
    {
        return (new EvaluationReport((new JobEvaluator(Catalogue::shipped()))->evaluate($job)))->toArray();
    }

    /** @return array<string, mixed> */
    private static function from(string $from, string $id): array
    {
        $words = explode(' ', $from);
        if ($words[0] === 'vent') {
            return ['what' => 'vent take-off', 'kind' => 'branch', 'branch' => self::branch(array_slice($words, 2))];
        }
        if (in_array($words[0], ['roof', 'valve'], true)) {
            return [
                'what' => $words[0],
                'kind' => $words[0],
                'terminal' => self::numbers(array_slice($words, 1), [
                    'roof' => 'above_roof_mm',
                    'away' => 'opening_away_mm',
                    'below' => 'opening_below_mm',
                ]) ?: ['above_roof_mm' => 300, 'opening_away_mm' => 5000],
            ];
        }
        if (in_array($words[0], ['cap', 'cleanout', 'socket', 'run', 'trap-adapter'], true)) {
            return ['what' => $words[0], 'kind' => $words[0]];
        }
        if ($words[0] === 'standing') {
            return ['what' => 'the pipe above', 'kind' => 'standing', 'standing' => implode('-', $words)];
        }
        $fixture = self::numbers(array_slice($words, 1), [
            'seal' => 'seal_mm',
            'drop' => 'drop_mm',
            'across' => 'across_mm',
            'standpipe' => 'standpipe_mm',
            'floor' => 'trap_above_floor_mm',
            'rim' => 'rim_mm',
            'hot' => 'hot_c',
            'trap' => 'trap',
            'size' => 'trap_size',
            'group' => 'group',
            'guard' => 'guard',
            'disposer' => 'disposer',
        ]);
        if (isset($fixture['disposer'])) {
            $fixture['disposer'] = $fixture['disposer'] === 'yes';
        }

        return [
            'what' => "the {$words[0]} of {$id}",
            'kind' => 'fixture',
            'fixture' => ['kind' => $words[0]] + $fixture + ['rim_mm' => 400],
        ];
    }

    /**
     * @param array<string, array{0: string, 1: string, 2: string, 3?: array<string, mixed>}> $runs
     * @return list<array<string, mixed>> the pipes that stand, which runs come from
     */
    private static function standing(array $runs, Units $units): array
    {
        $standing = [];
        foreach ($runs as [$from]) {
            if (str_starts_with($from, 'standing')) {
                $standing[] = [
                    'id' => str_replace(' ', '-', $from),
                    'name' => 'the pipe above',
                    'system' => $units === Units::Inch ? 'ci-no-hub' : 'pvcu-soil',
                    'size' => $units === Units::Inch ? '3' : '110',
                    'end' => 'plain',
                    'vent' => $from === 'standing vent',
                ];
            }
        }

        return $standing;
    }

    /** @return array<string, mixed> */
    private static function to(string $to): array
    {
        $words = explode(' ', $to);

        return match (true) {
            in_array($words[0], ['socket', 'gully', 'cap'], true) => ['what' => $words[0], 'kind' => $words[0]],
            in_array($words[0], ['roof', 'valve'], true) => [
                'what' => $words[0],
                'kind' => $words[0],
                'terminal' => self::numbers(array_slice($words, 1), [
                    'roof' => 'above_roof_mm',
                    'away' => 'opening_away_mm',
                    'below' => 'opening_below_mm',
                ]) ?: ['above_roof_mm' => 300, 'opening_away_mm' => 5000],
            ],
            $words[0] === 'on' => ['what' => "on into {$words[1]}", 'kind' => 'run', 'run' => $words[1]],
            default => ['what' => "into {$words[0]}", 'kind' => 'branch', 'branch' => self::branch($words)],
        };
    }

    /**
     * @param list<string> $words run, leg number, mm along it or `turn`, and perhaps a pattern
     * @return array<string, mixed>
     */
    private static function branch(array $words): array
    {
        return ['run' => $words[0], 'leg' => "l{$words[1]}"] +
            ($words[2] === 'turn' ? [] : ['at_mm' => (float) $words[2]]) +
            (($words[3] ?? '') !== '' ? ['pattern' => $words[3]] : []);
    }

    /**
     * @param list<string> $words `key=value`
     * @param array<string, string> $keys
     * @return array<string, string|float>
     */
    private static function numbers(array $words, array $keys): array
    {
        $numbers = [];
        foreach ($words as $word) {
            [$key, $value] = explode('=', $word);
            $isWord = in_array($key, ['trap', 'group', 'size', 'guard', 'disposer'], true);
            $numbers[$keys[$key]] = $isWord ? $value : (float) $value;
        }

        return $numbers;
    }

    /**
     * @param list<string> $sizes
     * @return list<array<string, mixed>>
     */
    private static function legs(string $text, Units $units, array $sizes): array
    {
        $legs = [];
        foreach ((new CallOutReader($units, $sizes))->read($text) as $i => $phrase) {
            $leg = $phrase->leg;
            if ($leg->unread !== null) {
                throw new \LogicException("not understood: {$phrase->text}");
            }
            $legs[] = array_filter(
                [
                    'id' => 'l'.($i + 1),
                    'way' => $leg->way->value,
                    'turn_deg' => $leg->turnDeg,
                    'length_mm' => $leg->length?->toMm(),
                    'fall_mm_per_m' => $leg->fallMmPerM,
                    'drop_mm' => $leg->drop?->toMm(),
                    'size' => $leg->size,
                    'fitting' => $leg->fitting?->toArray(),
                    'close' => $leg->isClose ?: null,
                    'takes' => $leg->takes,
                ],
                static fn (mixed $v): bool => $v !== null,
            );
        }

        return $legs;
    }
}
