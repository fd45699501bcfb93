<?php

declare(strict_types=1);

namespace FallBend\Core\Identify;

use FallBend\Core\Measure\Tolerance;

/**
 * The next thing to look at: of the checks that have not been made, the one whose answer is expected to tell most, in
 * bits (entropy of the
 * candidates now less the mean entropy after it), weighted by how easily it is done on site.
 */
final class NextCheck
{
    /** How readily a check can be made, and how often it can be. */
    private const EASE = [
        'magnet' => 1.0,
        'joint' => 0.8,
        'calliper' => 0.75,
        'print' => 0.55,
        'wall' => 0.5,
        'region' => 0.9,
        'colour' => 0.7,
    ];

    /** A calliper on a clean pipe is good to this, in mm. */
    public const CALLIPER_MM = 0.4;

    private const LEAST_BITS = 0.03;

    /**
     * Takes the candidates, likeliest first; gives the best check with its answers, or null where nothing on site tells
     * the likely ones apart.
     * Where the likeliest is iron or steel a magnet is asked for first.
     *
     * @param list<Candidate> $candidates
     * @return array{by: string, answers: list<array{value: string, candidates: list<int>, likelihood: float}>,
     *     bits: float, calliper_decides: bool}|null
     */
    public static function best(array $candidates, Evidence $evidence): ?array
    {
        $likely = array_slice(
            array_filter($candidates, static fn (Candidate $c): bool => $c->out === null && $c->likelihood > 0.01),
            0,
            8,
            true,
        );
        $first = array_values($likely)[0] ?? null;
        if ($first === null) {
            return null;
        }
        if ($evidence->magnet === null && $first->system->isMagnetic) {
            // Whatever else is seen, a pipe is taken for iron or steel only after a magnet held: the one test that lead
            // fails.
            $groups = self::groups('magnet', $likely) + ['holds' => [], 'does not hold' => []];

            return [
                'by' => 'magnet',
                'answers' => self::answers($likely, $groups),
                'bits' => max(self::LEAST_BITS, self::gain($likely, $groups)),
                'calliper_decides' => count(self::groups('calliper', $likely)) > 1,
            ];
        }
        $best = null;
        foreach (array_keys(self::EASE) as $by) {
            $groups = self::isDone($by, $evidence) ? [] : self::groups($by, $likely);
            if (count($groups) < 2) {
                continue;
            }
            $bits = self::gain($likely, $groups) * self::EASE[$by];
            if ($bits > self::LEAST_BITS && ($best === null || $bits > $best['bits'])) {
                $best = [
                    'by' => $by,
                    'answers' => self::answers($likely, $groups),
                    'bits' => $bits,
                    'calliper_decides' => count(self::groups('calliper', $likely)) > 1,
                ];
            }
        }

        return $best;
    }

    private static function isDone(string $by, Evidence $evidence): bool
    {
        return match ($by) {
            'magnet' => $evidence->magnet !== null,
            'joint' => $evidence->joint !== '' && $evidence->joint !== 'bell',
            'calliper' => ! $evidence->isString && $evidence->errorMm <= self::CALLIPER_MM + Tolerance::CONVERTED_MM,
            'print' => $evidence->print !== '',
            'wall' => $evidence->wallMm !== null,
            'region' => $evidence->region !== '',
            default => $evidence->colour !== '',
        };
    }

    /**
     * Groups candidates by the answer that each would give.
     *
     * @param array<int, Candidate> $likely
     * @return array<string, list<int>> indices by answer
     */
    private static function groups(string $by, array $likely): array
    {
        $groups = [];
        if ($by === 'calliper' || $by === 'wall') {
            return self::clusters($by, $likely);
        }
        foreach ($likely as $index => $candidate) {
            $system = $candidate->system;
            $answer = match ($by) {
                'magnet' => $system->isMagnetic ? 'holds' : 'does not hold',
                'joint' => $system->jointsSeen[0] ?? 'none',
                'print' => $system->prints[0] ?? '',
                'region' => $system->region,
                default => $system->colours[0] ?? '',
            };
            $groups[$answer][] = $index;
        }

        return $groups;
    }

    /**
     * Groups candidates whose diameters (or walls) a calliper can tell apart: their tolerances, each widened by its
     * error, do not meet.
     *
     * @param array<int, Candidate> $likely
     * @return array<string, list<int>>
     */
    private static function clusters(string $by, array $likely): array
    {
        $spans = [];
        foreach ($likely as $index => $candidate) {
            $wall = $candidate->pipe->wallMm;
            if ($by === 'wall' && $wall === null) {
                return [];
            }
            $spans[] =
                $by === 'wall'
                    ? [$wall * 0.9 - 0.2, $wall * 1.1 + 0.2, $index]
                    : [
                        $candidate->lowMm() - self::CALLIPER_MM / 2,
                        $candidate->highMm() + self::CALLIPER_MM / 2,
                        $index,
                    ];
        }
        sort($spans);
        [$clusters, $end] = [[], -INF];
        foreach ($spans as [$low, $high, $index]) {
            if ($low > $end) {
                $clusters[] = [];
            }
            $clusters[count($clusters) - 1][] = $index;
            $end = max($end, $high);
        }
        $groups = [];
        foreach ($clusters as $cluster) {
            $middle = $likely[$cluster[0]]->pipe;
            $groups[sprintf('%.3f mm', $by === 'wall' ? $middle->wallMm : $middle->outsideMm)] = $cluster;
        }

        return $groups;
    }

    /**
     * @param array<int, Candidate> $likely
     * @param array<string, list<int>> $groups
     */
    private static function gain(array $likely, array $groups): float
    {
        $shares = array_map(static fn (Candidate $candidate): float => $candidate->likelihood, $likely);
        $sum = array_sum($shares);
        $gain = 0.0;
        foreach ($groups as $group) {
            // What the answer alone tells: the entropy of the answers.
            $p = array_sum(array_intersect_key($shares, array_flip($group))) / $sum;
            $gain -= $p > 0 ? $p * log($p, 2) : 0.0;
        }

        return $gain;
    }

    /**
     * @param array<int, Candidate> $likely
     * @param array<string, list<int>> $groups
     * @return list<array{value: string, candidates: list<int>, likelihood: float}>
     */
    private static function answers(array $likely, array $groups): array
    {
        $answers = [];
        foreach ($groups as $value => $group) {
            $answers[] = [
                'value' => $value,
                'candidates' => $group,
                'likelihood' => array_sum(
                    array_map(static fn (int $index): float => $likely[$index]->likelihood, $group),
                ),
            ];
        }
        usort($answers, static fn (array $x, array $y): int => $y['likelihood'] <=> $x['likelihood']);

        return $answers;
    }
}
