<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

use DateTimeImmutable;
use FallBend\Core\Site\SiteLog;

/** What was done of the joints of a run by now, by their numbers. */
final readonly class DoneJoints
{
    /**
     * @param array<array-key, DateTimeImmutable> $made when each was let go of
     * @param list<string> $dry that were tried dry, those that are made too
     * @param DateTimeImmutable $now what is still to be done begins no sooner
     */
    public function __construct(public array $made, public array $dry, public DateTimeImmutable $now) {}

    /** Takes what was done of a run from the log: a joint that something is wrong with is to be made again. */
    public static function of(SiteLog $log, string $run): self
    {
        [$made, $dry] = [[], []];
        foreach ($log->joints($run) as $number => $joint) {
            if ($joint->isGood() && $joint->made !== null) {
                $made[$number] = $joint->made->at;
            }
            if ($joint->dry !== null || $joint->made !== null) {
                $dry[] = (string) $number;
            }
        }

        return new self($made, $dry, $log->now);
    }
}
