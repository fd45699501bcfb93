<?php

declare(strict_types=1);

namespace FallBend\Core\Site;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\Marks;
use FallBend\Core\Job\OnSite;
use FallBend\Core\Joining\TroubleKind;

/**
 * What stands in an entry, by its kind; lengths in mm. A mark or a check is true where it was seen as it should be,
 * false where not.
 *
 * @phpstan-type Content array{
 *     run?: string,
 *     joint?: int,
 *     piece?: string,
 *     length_mm?: float,
 *     on?: string,
 *     letters?: array<string, string>,
 *     leg?: string,
 *     at_mm?: float,
 *     below_mm?: float,
 *     standing?: string,
 *     evidence?: array<string, float|bool|string>,
 *     method?: string,
 *     pieces?: array<string, float>,
 *     part?: string,
 *     air_c?: float,
 *     rh_percent?: float,
 *     torque_nm?: float,
 *     depth?: bool,
 *     angle?: bool,
 *     bead?: bool,
 *     what?: string,
 *     system?: string,
 *     stage?: string,
 *     test?: string,
 *     value?: float,
 *     dry?: bool,
 *     check?: string,
 *     ok?: bool,
 *     hash?: string,
 *     name?: string,
 *     role?: string,
 *     revision?: int,
 *     document?: string,
 *     from?: string,
 *     from_mm?: float,
 *     second?: string,
 *     second_mm?: float,
 *     depth_mm?: float,
 *     note?: string,
 *     entry?: int,
 * }
 */
final class EntryFile
{
    private const LONGEST_NOTE = 2_000;

    /** Of the id of a run, by which a system of pipes under test is named too. */
    private const LONGEST_ID = 40;

    /** What is made of pieces, by key; a joint has two sides and a fitting a few more. */
    private const MOST_PIECES = 8;

    /** Pieces that stand on one ticket. */
    private const MOST_PRINTED = 1_500;

    /** What can be seen of a joint once it is made. */
    public const MARKS = ['depth', 'angle', 'bead'];

    /**
     * Reads what stands in an entry of a kind, with `note` where something is said beside it.
     *
     * @return Content
     *
     * @throws BadInput at the field that is wrong
     */
    public static function read(EntryKind $kind, Fields $fields): array
    {
        $content = match ($kind) {
            EntryKind::Cut => self::cut($fields) + self::inPlaceOf($fields),
            EntryKind::Printed => self::ticket($fields),
            EntryKind::Level => self::level($fields) + self::inPlaceOf($fields),
            EntryKind::Measured => self::measured($fields) + self::inPlaceOf($fields),
            EntryKind::DryFit, EntryKind::CutOut => self::joint($fields),
            EntryKind::Joint => self::joint($fields) + self::madeOf($fields),
            EntryKind::Seen => self::joint($fields) + self::marks($fields),
            EntryKind::Trouble => self::joint($fields) + [
                'what' => $fields->enum('what', TroubleKind::class)->value,
            ],
            EntryKind::Walk => self::joint($fields) + ['dry' => self::yesOrNo($fields, 'dry')],
            EntryKind::TestBegun => [
                'system' => $fields->string('system', self::LONGEST_ID),
                'stage' => $fields->string('stage', 20),
                'what' => $fields->string('what', 40),
            ],
            EntryKind::Reading => [
                'test' => $fields->string('test', 80),
                'value' => $fields->number('value', -100_000, 100_000),
            ] + self::warmth($fields),
            EntryKind::TestEnded => ['test' => $fields->string('test', 80)],
            EntryKind::Check => [
                'system' => $fields->string('system', self::LONGEST_ID),
                'stage' => $fields->string('stage', 20),
                'check' => $fields->string('check', 60),
                'ok' => self::yesOrNo($fields, 'ok'),
            ],
            EntryKind::Signed => [
                'name' => self::word($fields, 'name'),
                'role' => trim($fields->stringOr('role', '', 80)),
            ],
            EntryKind::Located => self::joint($fields) + self::place($fields),
            EntryKind::Photograph => self::picture($fields) + ($fields->has('run') ? self::joint($fields) : []),
            EntryKind::TakenBack => ['entry' => $fields->int('entry', 1, 1_000_000_000)],
            EntryKind::Services => ['run' => $fields->string('run', self::LONGEST_ID)],
            EntryKind::Note => [],
        };
        $note = trim($fields->stringOr('note', '', self::LONGEST_NOTE));
        if (in_array($kind, [EntryKind::Note, EntryKind::Services], true) && $note === '') {
            throw BadInput::at($fields->at('note'), 'must not be empty', $note);
        }

        return $content + ($note === '' ? [] : ['note' => $note]);
    }

    /** @return array{air_c?: float} */
    private static function warmth(Fields $fields): array
    {
        $air = $fields->numberOrNull('air_c', -60, 70);

        return $air === null ? [] : ['air_c' => $air];
    }

    /** @return array{run: string, piece: string, length_mm?: float} */
    private static function cut(Fields $fields): array
    {
        $length = $fields->numberOrNull('length_mm', 1, 1_000_000);

        return [
            'run' => $fields->string('run', self::LONGEST_ID),
            'piece' => $fields->string('piece', Marks::LONGEST_KEY),
        ] + ($length === null ? [] : ['length_mm' => $length]);
    }

    /**
     * The entry that one stands in the place of, where whoever says it knew of one.
     *
     * @return array{entry?: int}
     */
    private static function inPlaceOf(Fields $fields): array
    {
        return $fields->has('entry') ? ['entry' => $fields->int('entry', 1, 1_000_000_000)] : [];
    }

    /**
     * @return array{run: string, on: string, pieces: array<string, float>, letters: array<string, string>}
     *
     * @throws BadInput
     */
    private static function ticket(Fields $fields): array
    {
        [$run, $on] = [$fields->string('run', self::LONGEST_ID), $fields->string('on', 10)];
        if (preg_match('/^(\d{4})-(\d{2})-(\d{2})\z/', $on, $day) !== 1 ||
            ! checkdate((int) $day[2], (int) $day[3], (int) $day[1])) {
            throw BadInput::at($fields->at('on'), 'must be a day such as 2026-11-25', $on);
        }
        [$pieces, $letters] = [$fields->childOrNull('pieces'), $fields->childOrNull('letters')];
        $ticket = ['run' => $run, 'on' => $on, 'pieces' => [], 'letters' => []];
        foreach ($pieces?->keys(self::MOST_PRINTED) ?? [] as $piece) {
            $ticket['pieces'][$piece] = $pieces?->number($piece, 0, 1_000_000) ?? 0.0;
            $ticket['letters'][$piece] = $letters?->string($piece, 10) ?? '';
        }
        $letters?->end();

        return $ticket;
    }

    /** @return array{run: string, leg: string, at_mm: float, below_mm?: float} */
    private static function level(Fields $fields): array
    {
        $below = $fields->numberOrNull('below_mm', -5_000, 20_000);

        return [
            'run' => $fields->string('run', self::LONGEST_ID),
            'leg' => $fields->string('leg', 40),
            'at_mm' => $fields->number('at_mm', 0, 1_000_000),
        ] + ($below === null ? [] : ['below_mm' => $below]);
    }

    /** @return array{standing: string, evidence?: array<string, float|bool|string>} */
    private static function measured(Fields $fields): array
    {
        $evidence = $fields->childOrNull('evidence');

        return ['standing' => $fields->string('standing', 40)] +
            ($evidence === null ? [] : ['evidence' => OnSite::evidence($evidence)]);
    }

    /** @return array{run: string, joint: int} */
    private static function joint(Fields $fields): array
    {
        return ['run' => $fields->string('run', self::LONGEST_ID), 'joint' => $fields->int('joint', 1, 1_000_000)];
    }

    /**
     * How a joint was made, as whoever made it was shown it: what the plan says later may be something else.
     *
     * @return array{
     *     method?: string,
     *     pieces?: array<string, float>,
     *     part?: string,
     *     air_c?: float,
     *     rh_percent?: float,
     *     torque_nm?: float,
     * }
     */
    private static function madeOf(Fields $fields): array
    {
        $made = $fields->has('method') ? ['method' => $fields->string('method', 40)] : [];
        if ($fields->has('part')) {
            $made['part'] = $fields->string('part', 120);
        }
        foreach (['air_c' => [-60, 70], 'rh_percent' => [0, 100], 'torque_nm' => [0, 500]] as $key => [$least, $most]) {
            if ($fields->has($key)) {
                $made[$key] = $fields->number($key, $least, $most);
            }
        }
        $pieces = $fields->childOrNull('pieces');
        foreach ($pieces?->keys(self::MOST_PIECES) ?? [] as $piece) {
            $made['pieces'][$piece] = $pieces?->number($piece, 0, 100_000) ?? 0.0;
        }

        return $made;
    }

    /**
     * @return array{depth?: bool, angle?: bool, bead?: bool}
     *
     * @throws BadInput where nothing was seen
     */
    private static function marks(Fields $fields): array
    {
        $seen = [];
        foreach (self::MARKS as $mark) {
            if ($fields->has($mark)) {
                $seen[$mark] = self::yesOrNo($fields, $mark);
            }
        }

        return $seen === [] ? throw BadInput::at($fields->at('depth'), 'one of them must be said', null) : $seen;
    }

    /** @return array{from: string, from_mm: float, second: string, second_mm: float, depth_mm?: float} */
    private static function place(Fields $fields): array
    {
        $depth = $fields->numberOrNull('depth_mm', 0, 20_000);

        return [
            'from' => self::word($fields, 'from'),
            'from_mm' => $fields->number('from_mm', 0, 1_000_000),
            'second' => self::word($fields, 'second'),
            'second_mm' => $fields->number('second_mm', 0, 1_000_000),
        ] + ($depth === null ? [] : ['depth_mm' => $depth]);
    }

    /**
     * @return array{hash: string}
     *
     * @throws BadInput
     */
    private static function picture(Fields $fields): array
    {
        $hash = $fields->string('hash', 64);

        return preg_match('/^[0-9a-f]{64}\z/', $hash) === 1
            ? ['hash' => $hash]
            : throw BadInput::at($fields->at('hash'), 'must be a SHA-256', $hash);
    }

    /** @throws BadInput where nothing is said */
    private static function word(Fields $fields, string $key): string
    {
        $word = trim($fields->string($key, 80));

        return $word === '' ? throw BadInput::at($fields->at($key), 'must not be empty', $word) : $word;
    }

    private static function yesOrNo(Fields $fields, string $key): bool
    {
        if (! is_bool($fields->raw($key))) {
            throw BadInput::at($fields->at($key), 'must be true or false', $fields->raw($key));
        }

        return $fields->bool($key, false);
    }
}
