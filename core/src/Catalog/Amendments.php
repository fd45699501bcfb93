<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * A small named book over a book: what a town or an inspector has otherwise than the book that was adopted, with who
 * said so and when.
 */
final readonly class Amendments
{
    private const MOST_ROWS = 500;

    /**
     * @param string $rulebook that they are made to
     * @param string $saidOn the day, as 2026-11-30
     * @param list<array{threshold: string, value: float, note: string}> $rows
     */
    private function __construct(
        public string $name,
        public string $rulebook,
        public string $saidBy,
        public string $saidOn,
        public array $rows,
    ) {}

    /**
     * Reads `{name, rulebook, said_by, said_on, rows: [{threshold, value, note?}]}`; each value is in the unit of its
     * threshold, inside the range that `Ranges` has for it.
     *
     * @throws BadInput at the field that is wrong
     */
    public static function read(Fields $fields, Catalogue $catalogue): self
    {
        $name = self::text($fields, 'name', 80);
        $rulebook = $fields->choice('rulebook', $catalogue->rulebookKeys());
        $rows = [];
        foreach ($fields->children('rows', self::MOST_ROWS) as $row) {
            $note = $row->stringOr('note', '', 200);
            $value = RulebookOverrideFile::value($row, $catalogue->rulebook($rulebook), $catalogue);
            $id = $row->string('threshold');
            if (isset($rows[$id])) {
                throw BadInput::at($row->at('threshold'), 'stands twice', $id);
            }
            $row->end();
            $rows[$id] = ['threshold' => $id, 'value' => $value, 'note' => $note];
        }
        $amendments = new self(
            $name,
            $rulebook,
            self::text($fields, 'said_by', 120),
            self::day($fields),
            array_values($rows),
        );
        $fields->end();

        return $amendments;
    }

    /** @return array<string, mixed> as `read` takes it */
    public function toArray(): array
    {
        return [
            'name' => $this->name,
            'rulebook' => $this->rulebook,
            'said_by' => $this->saidBy,
            'said_on' => $this->saidOn,
            'rows' => array_map(
                static fn (array $row): array => array_filter($row, static fn (mixed $one): bool => $one !== ''),
                $this->rows,
            ),
        ];
    }

    /** @return list<RulebookOverride> what is other than in the book; the source of each says whose it is */
    public function overrides(): array
    {
        return array_map(
            fn (array $row): RulebookOverride => new RulebookOverride(
                $this->rulebook,
                $row['threshold'],
                $row['value'],
                trim("{$this->name}, {$this->saidBy}, {$this->saidOn}. {$row['note']}"),
            ),
            $this->rows,
        );
    }

    /** @throws BadInput where nothing is said */
    private static function text(Fields $fields, string $key, int $most): string
    {
        $text = trim($fields->string($key, $most));

        return $text !== '' ? $text : throw BadInput::at($fields->at($key), 'must not be empty', $text);
    }

    /** @throws BadInput where it is no day */
    private static function day(Fields $fields): string
    {
        $day = $fields->string('said_on', 10);
        $isDay =
            preg_match('/^(\d{4})-(\d\d)-(\d\d)\z/', $day, $m) === 1 &&
            checkdate((int) $m[2], (int) $m[3], (int) $m[1]);

        return $isDay ? $day : throw BadInput::at($fields->at('said_on'), 'must be a day, such as 2026-11-30', $day);
    }
}
