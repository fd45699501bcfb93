<?php

declare(strict_types=1);

namespace FallBend\Core\Starts;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\GuidedMove;
use FallBend\Core\Job\Job;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\Units;
use FallBend\Core\Reckon\TrapFitReckoner;
use FallBend\Core\Verdict\Severity;

/** What comes of a trap that was measured: what to cut, what to change of the tailpiece, what to buy. */
final readonly class FittedTrap
{
    /** What is measured of the trap in the hand. */
    private const MEASURED = [
        'tall_mm' => true,
        'reach_mm' => true,
        'elbow_mm' => true,
        'seal_mm' => true,
        'adjust_mm' => true,
    ];

    /**
     * @param list<string> $says
     * @param list<array{severity: value-of<Severity>, title: string}> $against
     */
    private function __construct(public array $says, public array $against) {}

    /** Takes a job and a trap that was measured for it. */
    public static function of(Job $job, GuidedMove $move, Catalogue $catalogue): self
    {
        $answer = Fields::of(
            (new TrapFitReckoner($catalogue))->reckon(Fields::of(self::asked($job, $move)), Effort::unlimited()),
        );

        return new self(self::lines($answer, $move, $job->units), self::objections($answer));
    }

    /** @return list<string> */
    private static function lines(Fields $answer, GuidedMove $move, Units $units): array
    {
        $tape = new Tape;
        $says = [];
        foreach ($answer->children('cuts', 10) as $cut) {
            $piece = str_replace('-', ' ', $cut->string('piece', 40));
            $says[] = "{$move->name}: cut the {$piece} {$tape->said($cut->number('length_mm'), $units)}";
        }
        foreach (['shorten', 'extend'] as $change) {
            $mm = $answer->number("{$change}_mm");
            if ($mm > 0.0) {
                $says[] = ucfirst($change)." the tailpiece by {$tape->said($mm, $units)}";
            }
        }
        $parts = array_map(
            static fn (Fields $part): string => "{$part->string('size', 40)} {$part->string('part', 80)}",
            $answer->children('parts', 20),
        );

        return [...$says, 'To buy: '.implode(', ', $parts)];
    }

    /** @return list<array{severity: value-of<Severity>, title: string}> without mere notes */
    private static function objections(Fields $answer): array
    {
        $against = [];
        foreach ($answer->children('findings', 50) as $finding) {
            $severity = $finding->enum('severity', Severity::class);
            if ($severity->rank() <= Severity::Unknown->rank()) {
                $against[] = ['severity' => $severity->value, 'title' => $finding->string('title', 200)];
            }
        }

        return $against;
    }

    /**
     * The question of the reckoner `trap-fit`, measured from the outlet: the tailpiece hangs over it, in front of it
     * and to its side.
     *
     * @return array<string, mixed>
     */
    private static function asked(Job $job, GuidedMove $move): array
    {
        $said = $move->values;
        $mm = static fn (string $key): float => is_float($said[$key] ?? null) ? $said[$key] : 0.0;
        $isFloor = ($said['where'] ?? '') === 'floor';

        return [
            'fixture' => $said['fixture'] ?? '',
            'rulebook' => $job->rulebook,
            'tailpiece' => [
                'at' => [$mm('aside_mm'), 0.0, $mm('down_mm')],
                'size' => $said['tail_size'] ?? '',
                'length_mm' => $mm('tail_mm'),
            ],
            'outlet' => [
                'at' => [0.0, $mm('ahead_mm'), 0.0],
                'along' => $isFloor ? [0.0, 0.0, -1.0] : [0.0, 1.0, 0.0],
                'system' => $said['outlet_system'] ?? '',
                'size' => $said['outlet_size'] ?? '',
                ...array_intersect_key($said, ['depth_mm' => true]),
            ],
            'trap' => [
                'pattern' => $said['pattern'] ?? '',
                'size' => $said['trap_size'] ?? '',
                ...array_intersect_key($said, self::MEASURED),
            ],
        ];
    }
}
