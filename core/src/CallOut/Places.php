<?php

declare(strict_types=1);

namespace FallBend\Core\CallOut;

use FallBend\Core\Job\BranchAt;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Run;
use FallBend\Core\Measure\TapeReader;
use FallBend\Core\Measure\UnreadableLength;

/**
 * Reads a place on another run: its name or the beginning of it, or `vent of washer` for the vent that leaves a run,
 * then how far along its tape, or `turn 2` for the turn into its second leg.
 */
final class Places
{
    /** So many runs are named where none is called so. */
    private const NAMED = 12;

    /** @return array{?BranchAt, string, ?string} the place, the words that it took, and what is wrong */
    public static function read(string $text, Job $job): array
    {
        $words = mb_strtolower($text);
        $called = self::called((string) preg_replace('/^the\s+/u', '', $words), $job);
        $place = '/^(?:the\s+)?('.($called === '' ? '' : preg_quote($called, '/').'|').'"[^"]+"|[\p{L}\p{N}\-]+)'.
            '(?:\s+(?:at\s+)?(?:(?:turn\s*|t)(?<turn>\d{1,3})|(?<length>'.Words::length().')))?/u';
        if (preg_match($place, $words, $m) !== 1) {
            return [null, '', 'Say which run, and how far along it.'];
        }
        $name = trim($m[1], '"');
        $run = self::named($name, $job);
        [$turn, $length] = [$m['turn'] ?? '', $m['length'] ?? ''];
        $at = match (true) {
            $run === null => self::unknown($name, $job),
            $turn !== '' => self::turn($run, (int) $turn),
            $length === '' => 'Say how far along that run, from its start.',
            default => self::along($run, $length, new TapeReader($job->units)),
        };

        return $at instanceof BranchAt ? [$at, $m[0], null] : [null, $m[0], $at];
    }

    private static function unknown(string $name, Job $job): string
    {
        $runs = array_slice(array_map(static fn (Run $one): string => $one->id, $job->runs), 0, self::NAMED);

        return "No run of this job is called “{$name}”. They are: ".implode(', ', $runs).'.';
    }

    /** @return BranchAt|string the turn into a leg by its number; a text: why it is none */
    private static function turn(Run $run, int $number): BranchAt|string
    {
        $leg = $run->legs[$number - 1] ?? null;

        return $leg === null || $number < 2
            ? "That run has no turn into a leg {$number}."
            : new BranchAt($run->id, $leg->id, null);
    }

    /** @return BranchAt|string so far along the run, over its legs; a text: why there is no such place */
    private static function along(Run $run, string $length, TapeReader $tape): BranchAt|string
    {
        try {
            $along = $tape->read($length)->toMm();
        } catch (UnreadableLength $error) {
            return $error->getMessage();
        }
        foreach ($run->legs as $i => $leg) {
            $mm = $leg->length?->toMm() ?? 0.0;
            if ($along <= $mm || $i === count($run->legs) - 1) {
                return new BranchAt($run->id, $leg->id, $along);
            }
            $along -= $mm;
        }

        return 'That run has no legs yet.';
    }

    /** Finds a run by its id, its name, or the beginning of either where only one begins so. */
    public static function named(string $words, Job $job): ?Run
    {
        $begins = [];
        foreach ($job->runs as $run) {
            if (in_array($words, self::names($run, $job), true)) {
                return $run;
            }
            if (str_starts_with($run->id, $words) || str_starts_with(mb_strtolower($run->name), $words)) {
                $begins[] = $run;
            }
        }

        return count($begins) === 1 ? $begins[0] : null;
    }

    /** The longest name of a run that a text begins with, so that a name of several words needs no marks; or none. */
    private static function called(string $text, Job $job): string
    {
        $called = '';
        foreach ($job->runs as $run) {
            foreach (self::names($run, $job) as $name) {
                $isIt = $text === $name || str_starts_with($text, "{$name} ");
                $called = $isIt && mb_strlen($name) > mb_strlen($called) ? $name : $called;
            }
        }

        return $called;
    }

    /** @return list<string> in small letters */
    private static function names(Run $run, Job $job): array
    {
        $drain = $run->outlet->branch === null ? null : $job->run($run->outlet->branch->run);

        return [
            $run->id,
            mb_strtolower($run->name),
            ...$drain === null ? [] : ['vent of '.mb_strtolower($drain->name), "vent of {$drain->id}"],
        ];
    }
}
