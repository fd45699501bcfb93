<?php

declare(strict_types=1);

namespace App\Actions;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Report\BoardSummary;

/** Which jobs of the board somebody asks for, and in which order. */
final readonly class BoardAsked
{
    /** `open`: those that are worked on; `archived`; `deleted`: within the last days. */
    public const SHELVES = ['open', 'archived', 'deleted'];

    /** `kept`: the one saved last first; `name`: in the order of the alphabet. */
    public const ORDERS = ['kept', 'name'];

    /**
     * @param value-of<self::SHELVES> $shelf
     * @param string $search a part of the names that are wanted; empty: all
     * @param ?value-of<BoardSummary::STATIONS> $station that has the next thing to do; null: any
     * @param ?int $person id of somebody who worked on them; null: anybody
     * @param ?string $project to which they belong; null: any, or none
     * @param value-of<self::ORDERS> $order
     * @param ?string $after the place where the page before ended, as it was answered; null: the first page
     */
    public function __construct(
        public string $shelf = 'open',
        public string $search = '',
        public ?string $station = null,
        public ?int $person = null,
        public ?string $project = null,
        public string $order = 'kept',
        public ?string $after = null,
    ) {}

    /**
     * Reads the query of an address: everything may be left out.
     *
     * @throws BadInput at the field that is wrong
     */
    public static function read(Fields $query): self
    {
        $person = $query->stringOr('person', '', 12);
        if ($person !== '' && ! ctype_digit($person)) {
            throw BadInput::at('person', 'is nobody', $person);
        }

        return new self(
            $query->has('shelf') ? $query->choice('shelf', self::SHELVES) : 'open',
            trim($query->stringOr('search', '', 120)),
            $query->has('station') ? $query->choice('station', BoardSummary::STATIONS) : null,
            $person === '' ? null : (int) $person,
            $query->has('project') ? $query->string('project', 80) : null,
            $query->has('order') ? $query->choice('order', self::ORDERS) : 'kept',
            $query->has('after') ? $query->string('after', 1_100) : null,
        );
    }
}
