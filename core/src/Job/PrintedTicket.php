<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** A cut ticket as it was put on paper: what somebody may still cut by. Lengths in mm. */
final readonly class PrintedTicket
{
    /**
     * @param string $on the day, as `2026-11-25`
     * @param array<string, array{letter: string, length_mm: float}> $pieces by key
     */
    public function __construct(public string $run, public string $on, public array $pieces) {}

    /**
     * @param list<string> $runs ids
     *
     * @throws BadInput at the field that is wrong
     */
    public static function read(Fields $fields, array $runs): self
    {
        [$run, $on, $pieces] = [$fields->choice('run', $runs), $fields->string('on', 10), []];
        if (preg_match('/^\d{4}-\d{2}-\d{2}$/', $on) !== 1) {
            throw BadInput::at($fields->at('on'), 'must be a day such as 2026-11-25', $on);
        }
        foreach ($fields->children('pieces', 5000) as $piece) {
            $pieces[$piece->string('piece', Marks::LONGEST_KEY)] = [
                'letter' => $piece->string('letter', 10),
                'length_mm' => $piece->number('length_mm', 0, 1_000_000),
            ];
            $piece->end();
        }
        $fields->end();

        return new self($run, $on, $pieces);
    }
}
