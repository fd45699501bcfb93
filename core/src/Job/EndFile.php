<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\FixtureVariant;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Joining\Method;

/** Reads and writes an end of a run as it stands in the job file. */
final readonly class EndFile
{
    /** Which fields go with which kind, beside `what` and `kind`. */
    private const FIELDS = [
        'standing' => ['standing', 'method'],
        'fixture' => ['fixture'],
        'branch' => ['branch', 'method'],
        'run' => ['run', 'method'],
        'roof' => ['terminal'],
        'valve' => ['terminal'],
    ];

    /** @param array<string, StandingPipe> $standing by id */
    public function __construct(private array $standing) {}

    /**
     * @param list<RunEndKind> $kinds that the end may have
     *
     * @throws BadInput at the field that is wrong
     */
    public function read(Fields $fields, array $kinds): End
    {
        $kind = $fields->choice('kind', array_column($kinds, 'value'));
        foreach (
            array_diff(['standing', 'method', 'fixture', 'branch', 'run', 'terminal'], self::FIELDS[$kind] ?? []) as $field
        ) {
            if ($fields->has($field)) {
                throw BadInput::at($fields->at($field), "does not go with kind {$kind}", $fields->raw($field));
            }
        }
        $what = trim($fields->string('what', 80));
        $end = new End(
            $what !== '' ? $what : throw BadInput::at($fields->at('what'), 'must not be empty', $what),
            RunEndKind::from($kind),
            $kind === 'standing'
                ? $fields->choice('standing', array_map(strval(...), array_keys($this->standing)))
                : null,
            $fields->has('method') ? $fields->enum('method', Method::class)->value : null,
            $kind === 'fixture' ? self::fixture($fields->child('fixture')) : null,
            $kind === 'branch' ? self::branch($fields->child('branch')) : null,
            $fields->has('run') ? $fields->string('run', 40) : null,
            $fields->has('terminal') ? self::terminal($fields->child('terminal')) : null,
        );
        $fields->end();

        return $end;
    }

    /** @return array<string, mixed> */
    public static function document(End $end): array
    {
        $f = $end->fixture;
        $b = $end->branch;
        $t = $end->terminal;

        return self::given([
            'what' => $end->what,
            'kind' => $end->kind->value,
            'standing' => $end->standing,
            'method' => $end->method,
            'fixture' => $f === null
                    ? null
                    : self::given([
                        'kind' => $f->kind->value,
                        'trap' => $f->trap->value,
                        'trap_size' => $f->trapSize,
                        'seal_mm' => $f->sealMm,
                        'drop_mm' => $f->dropMm,
                        'across_mm' => $f->acrossMm,
                        'standpipe_mm' => $f->standpipeMm,
                        'trap_above_floor_mm' => $f->trapAboveFloorMm,
                        'rim_mm' => $f->rimMm,
                        'hot_c' => $f->hotC,
                        'group' => $f->group === '' ? null : $f->group,
                        'variant' => $f->variant?->value,
                        'guard' => $f->guard?->value,
                        'disposer' => $f->hasDisposer,
                    ]),
            'branch' => $b === null
                    ? null
                    : self::given(['run' => $b->run, 'leg' => $b->leg, 'at_mm' => $b->atMm, 'pattern' => $b->pattern]),
            'run' => $end->next,
            'terminal' => $t === null
                    ? null
                    : (object) self::given([
                        'above_roof_mm' => $t->aboveRoofMm,
                        'opening_away_mm' => $t->openingAwayMm,
                        'opening_below_mm' => $t->openingBelowMm,
                    ]),
        ]);
    }

    private static function fixture(Fields $fields): FixtureHead
    {
        $kind = $fields->enum('kind', FixtureKind::class);
        $fixture = new FixtureHead(
            $kind,
            $fields->has('trap') ? $fields->enum('trap', TrapKind::class) : TrapKind::usual($kind),
            $fields->has('trap_size') ? $fields->string('trap_size', 8) : null,
            $fields->numberOrNull('seal_mm', 0, 500),
            $fields->numberOrNull('drop_mm', 0, 10_000),
            $fields->numberOrNull('across_mm', 0, 10_000),
            $fields->numberOrNull('standpipe_mm', 0, 5_000),
            $fields->numberOrNull('trap_above_floor_mm', -5_000, 5_000),
            $fields->numberOrNull('rim_mm', -1_000, 10_000),
            $fields->numberOrNull('hot_c', 0, 150),
            $fields->stringOr('group', '', 40),
            $fields->has('variant') ? $fields->enum('variant', FixtureVariant::class) : null,
            $fields->has('guard') ? $fields->enum('guard', FixtureGuard::class) : null,
            $fields->has('disposer') ? $fields->bool('disposer', false) : null,
        );
        $fields->end();

        return $fixture;
    }

    private static function branch(Fields $fields): BranchAt
    {
        $branch = new BranchAt(
            $fields->string('run', 40),
            $fields->string('leg', 40),
            $fields->numberOrNull('at_mm', 0, 1_000_000),
            $fields->has('pattern') ? $fields->choice('pattern', BranchAt::PATTERNS) : null,
        );
        $fields->end();

        return $branch;
    }

    private static function terminal(Fields $fields): Terminal
    {
        $terminal = new Terminal(
            $fields->numberOrNull('above_roof_mm', 0, 100_000),
            $fields->numberOrNull('opening_away_mm', 0, 1_000_000),
            $fields->numberOrNull('opening_below_mm', -100_000, 100_000),
        );
        $fields->end();

        return $terminal;
    }

    /**
     * @param array<string, mixed> $fields
     * @return array<string, mixed> without what is null
     */
    private static function given(array $fields): array
    {
        return array_filter($fields, static fn (mixed $value): bool => $value !== null);
    }
}
