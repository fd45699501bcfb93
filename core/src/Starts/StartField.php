<?php

declare(strict_types=1);

namespace FallBend\Core\Starts;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Measure\Units;

/**
 * One thing that a start asks for, and how it is measured.
 *
 * @phpstan-type WrittenField array{
 *     id: string,
 *     kind: value-of<FieldKind>,
 *     label: string,
 *     hold: string,
 *     optional: bool,
 *     start: string,
 *     when: string,
 *     choices: list<array{key: string, name: string}>,
 *     source: string,
 *     unsure: bool,
 * }
 */
final readonly class StartField
{
    /**
     * @param string $hold where to hold the tape, or how to tell
     * @param bool $isOptional it may be measured later
     * @param ?float $least mm, or degrees
     * @param ?float $most mm, or degrees
     * @param list<array{key: string, name: string}> $options of a choice
     * @param list<string> $systems of a pipe
     * @param array{inch: string, mm: string} $start what stands there at first
     * @param string $below id of a length that it has to be less than; empty: none
     * @param string $when a condition on fields before it, see `Said::holds`; empty: always
     * @param string $source where what stands there at first comes from; empty: it is only an example
     * @param bool $isUnsure whether that is doubtful
     */
    private function __construct(
        public string $id,
        public FieldKind $kind,
        public string $label,
        public string $hold,
        public bool $isOptional,
        public ?float $least,
        public ?float $most,
        public array $options,
        public array $systems,
        private array $start,
        public string $below,
        public string $when,
        public string $source,
        public bool $isUnsure,
    ) {}

    /** @throws BadInput at the field that is wrong */
    public static function read(Fields $row): self
    {
        $start = $row->raw('start');
        $same = is_string($start) ? $start : '';
        $byUnits = is_array($start) ? $row->child('start') : null;
        $field = new self(
            $row->string('id', 40),
            $row->enum('kind', FieldKind::class),
            $row->string('label', 120),
            $row->stringOr('hold', '', 300),
            $row->bool('optional', false),
            $row->numberOrNull('least'),
            $row->numberOrNull('most'),
            array_map(
                static fn (Fields $option): array => [
                    'key' => $option->string('key', 40),
                    'name' => $option->string('name', 80),
                ],
                $row->has('options') ? $row->children('options', 30) : [],
            ),
            $row->has('systems') ? $row->strings('systems', 30) : [],
            ['inch' => $byUnits?->string('inch') ?? $same, 'mm' => $byUnits?->string('mm') ?? $same],
            $row->stringOr('below', '', 40),
            $row->stringOr('when', '', 80),
            $row->stringOr('source', '', 300),
            $row->bool('unsure', false),
        );
        $row->end();

        return $field;
    }

    /** Gives what stands in it at first. */
    public function startsWith(Units $units): string
    {
        return $this->start[$units === Units::Inch ? 'inch' : 'mm'];
    }

    /** @return WrittenField */
    public function toArray(Units $units, Catalogue $catalogue): array
    {
        return [
            'id' => $this->id,
            'kind' => $this->kind->value,
            'label' => $this->label,
            'hold' => $this->hold,
            'optional' => $this->isOptional,
            'start' => $this->startsWith($units),
            'when' => $this->when,
            'choices' => $this->choices($catalogue),
            'source' => $this->source,
            'unsure' => $this->isUnsure,
        ];
    }

    /** @return list<array{key: string, name: string}> what can be chosen, of a choice or a pipe */
    public function choices(Catalogue $catalogue): array
    {
        $choices = $this->options;
        foreach ($this->systems as $key) {
            $system = $catalogue->system($key);
            $unit = $system->region === 'us' ? ' in' : ' mm';
            foreach ($system->sizes($system->isLaid()) as $size) {
                $choices[] = ['key' => "{$key} {$size}", 'name' => "{$size}{$unit} {$system->short}"];
            }
        }

        return $choices;
    }
}
