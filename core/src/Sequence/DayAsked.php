<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

use DateTimeImmutable;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** When a day begins, how many are there, and when the line of the house may stand open. */
final readonly class DayAsked
{
    /** A time of day with its zone, to the minute or the second. */
    private const TIME = '/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2})?(Z|[+-]\d{2}:\d{2})$/';

    /**
     * @param int $people 1 or 2
     * @param DateTimeImmutable|null $closedFrom before then nothing in the line of the house is begun
     * @param DateTimeImmutable|null $closedUntil by then water runs in it again
     */
    private function __construct(
        public int $people,
        public DateTimeImmutable $start,
        public ?DateTimeImmutable $closedFrom,
        public ?DateTimeImmutable $closedUntil,
    ) {}

    /**
     * Reads `{people, start, closed_to_house?: {from, until}}`.
     *
     * @throws BadInput
     */
    public static function read(Fields $fields): self
    {
        $closed = $fields->childOrNull('closed_to_house');
        $asked = new self(
            $fields->int('people', 1, 2),
            self::moment($fields, 'start'),
            $closed === null ? null : self::moment($closed, 'from'),
            $closed === null ? null : self::moment($closed, 'until'),
        );
        $closed?->end();
        if ($closed !== null && $asked->closedUntil <= $asked->closedFrom) {
            throw BadInput::at($closed->at('until'), 'must be later than from', $closed->raw('until'));
        }

        return $asked;
    }

    /**
     * Gives a time of day with its zone.
     *
     * @throws BadInput
     */
    public static function moment(Fields $fields, string $key): DateTimeImmutable
    {
        $text = $fields->string($key, 40);
        $time = preg_match(self::TIME, $text) === 1 ? date_create_immutable($text) : false;
        // Days that there are not are carried into the next month: those are refused.
        if ($time === false || ! str_starts_with($time->format('Y-m-d\TH:i'), substr($text, 0, 16))) {
            throw BadInput::at($fields->at($key), 'must be a time such as 2026-11-25T09:40:00+01:00', $text);
        }

        return $time;
    }
}
