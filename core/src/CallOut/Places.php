<?php

declare(strict_types=1);

namespace FallBend\Core\CallOut;

use FallBend\Core\Job\BranchAt;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Run;
use FallBend\Core\Measure\TapeReader;
use FallBend\Core\Measure\UnreadableLength;

/**
 * Reads a place on another run: its name or the beginning of it, then how far along its tape, or `turn 2` for the turn
 * into its second leg.
 */
final class Places
{
    /** @return array{?BranchAt, string, ?string} the place, the words that it took, and what is wrong */
    public static function read(string $text, Job $job): array
    {
        $lower = mb_strtolower($text);
        if (
            preg_match(
                '/^(?:the\s+)?("[^"]+"|[\p{L}\p{N}\-]+)(?:\s+(?:at\s+)?(?:(?:turn\s*|t)(?<turn>\d{1,3})|(?<length>'.
                    Words::length().
                    ')))?/u',
                $lower,
                $m,
            ) !== 1
        ) {
            return [null, '', 'Say which run, and how far along it.'];
        }
        $run = self::named(trim($m[1], '"'), $job);
        if ($run === null) {
            return [
                null,
                $m[0],
                'No run of this job is called “'.
                trim($m[1], '"').
                '”. They are: '.
                implode(', ', array_slice(array_map(static fn (Run $one): string => $one->id, $job->runs), 0, 12)).
                '.',
            ];
        }
        if (($m['turn'] ?? '') !== '') {
            $leg = $run->legs[(int) $m['turn'] - 1] ?? null;

            return $leg === null || (int) $m['turn'] < 2
                ? [null, $m[0], "That run has no turn into a leg {$m['turn']}."]
                : [new BranchAt($run->id, $leg->id, null), $m[0], null];
        }
        if (($m['length'] ?? '') === '') {
            return [null, $m[0], 'Say how far along that run, from its start.'];
        }
        try {
            $along = (new TapeReader($job->units))->read($m['length'])->toMm();
        } catch (UnreadableLength $error) {
            return [null, $m[0], $error->getMessage()];
        }
        foreach ($run->legs as $i => $leg) {
            $length = $leg->length?->toMm() ?? 0.0;
            if ($along <= $length || $i === count($run->legs) - 1) {
                return [new BranchAt($run->id, $leg->id, $along), $m[0], null];
            }
            $along -= $length;
        }

        return [null, $m[0], 'That run has no legs yet.'];
    }

    /** Finds a run by its id, its name, or the beginning of either where only one begins so. */
    public static function named(string $words, Job $job): ?Run
    {
        $begins = [];
        foreach ($job->runs as $run) {
            if ($run->id === $words || mb_strtolower($run->name) === $words) {
                return $run;
            }
            if (str_starts_with($run->id, $words) || str_starts_with(mb_strtolower($run->name), $words)) {
                $begins[] = $run;
            }
        }

        return count($begins) === 1 ? $begins[0] : null;
    }
}
