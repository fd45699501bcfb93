<?php

declare(strict_types=1);

namespace App\Files;

use DateTimeImmutable;
use DateTimeZone;
use FallBend\Core\Sequence\GlueClock;
use Sabre\VObject\Component\VCalendar;

/**
 * A day of joining as an iCalendar file (RFC 5545): each joint, when it may be moved and filled, when nobody flushes,
 * when it can be tested.
 *
 * @phpstan-import-type WrittenDay from GlueClock
 */
final class DayCalendar
{
    /**
     * @param WrittenDay $day
     * @param string $id that makes the events of a job and run its own, so that a later file takes their place
     */
    public static function write(array $day, string $name, string $id): string
    {
        $calendar = new VCalendar(['PRODID' => '-//Fall Bend//Day of joining//EN']);
        foreach ($day['steps'] as $step) {
            if ($step['what'] === 'join') {
                self::event($calendar, "{$id}-joint-{$step['joint']}", [
                    'SUMMARY' => "Joint {$step['joint']}, {$name}",
                    'DESCRIPTION' => self::clocks($step['may_move'], $step['may_fill']),
                    'from' => $step['from'],
                    'until' => $step['until'],
                ]);
            }
        }
        if ($day['closed_from'] !== null && $day['open_again'] !== null) {
            self::event($calendar, "{$id}-closed", [
                'SUMMARY' => "Nobody flushes, {$name}",
                'DESCRIPTION' => 'The line of the house is open until then.',
                'from' => $day['closed_from'],
                'until' => $day['open_again'],
            ]);
        }
        if ($day['earliest_test'] !== null) {
            self::event($calendar, "{$id}-test", [
                'SUMMARY' => "Can be tested, {$name}",
                'DESCRIPTION' => 'Everything has cured by then.',
                'from' => $day['earliest_test'],
                'until' => $day['earliest_test'],
            ]);
        }

        return $calendar->serialize();
    }

    /** @param array{SUMMARY: string, DESCRIPTION: string, from: string, until: string} $said */
    private static function event(VCalendar $calendar, string $id, array $said): void
    {
        // In UTC: a calendar says it in the zone of whoever reads it.
        $utc = static fn (string $time): DateTimeImmutable => (new DateTimeImmutable($time))->setTimezone(
            new DateTimeZone('UTC'),
        );
        $calendar->add('VEVENT', [
            'UID' => "{$id}@fall-bend",
            'SUMMARY' => $said['SUMMARY'],
            'DESCRIPTION' => $said['DESCRIPTION'],
            'DTSTART' => $utc($said['from']),
            'DTEND' => $utc($said['until']),
        ]);
    }

    private static function clocks(?string $move, ?string $fill): string
    {
        $said = [];
        foreach (['Not moved before' => $move, 'No water before' => $fill] as $what => $time) {
            if ($time !== null) {
                $said[] = "{$what} ".(new DateTimeImmutable($time))->format('H:i').'.';
            }
        }

        return implode(' ', $said);
    }
}
