<?php

declare(strict_types=1);

namespace FallBend\Core\Starts;

use FallBend\Core\CallOut\PipeWords;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\Job;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\Units;

/**
 * How something is done that is no run of pipe: what is measured for it, which lengths follow, what is taken along, and
 * the steps in their order, each with the caution that belongs to it.
 *
 * @phpstan-import-type WrittenField from StartField
 *
 * @phpstan-type WrittenHowTo array{
 *     id: string,
 *     name: string,
 *     say: string,
 *     fields: list<WrittenField>,
 *     starts: list<string>,
 * }
 * @phpstan-type HowToStep array{do: string, say: string, caution: string}
 * @phpstan-type HowToAnswer array{
 *     problems: array<string, string>,
 *     later: list<string>,
 *     lengths: list<array{label: string, length: string, say: string}>,
 *     parts: list<string>,
 *     steps: list<HowToStep>,
 * }
 */
final readonly class HowTo
{
    /**
     * @param string $say one sentence on what it is for
     * @param list<StartField> $fields
     * @param list<string> $starts ids of the starts that it belongs to
     * @param list<array{label: string, sum: string, say: string, when: string}> $lengths
     * @param list<array{what: string, when: string}> $parts
     * @param list<array{do: string, say: string, caution: string, when: string}> $steps
     */
    private function __construct(
        public string $id,
        public string $name,
        public string $say,
        public array $fields,
        public array $starts,
        private array $lengths,
        private array $parts,
        private array $steps,
    ) {}

    /** @throws BadInput at the field that is wrong */
    public static function read(Fields $file): self
    {
        $file->choice('schema', ['how-to.v1']);
        $howTo = new self(
            $file->string('id', 40),
            $file->string('name', 80),
            $file->string('say', 200),
            array_map(StartField::read(...), $file->children('fields', 20)),
            $file->has('starts') ? $file->strings('starts', 20) : [],
            array_map(self::length(...), $file->has('lengths') ? $file->children('lengths', 20) : []),
            array_map(self::part(...), $file->children('parts', 60)),
            array_map(self::step(...), $file->children('steps', 40)),
        );
        $file->end();

        return $howTo;
    }

    /** @return WrittenHowTo */
    public function toArray(Units $units, Catalogue $catalogue): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'say' => $this->say,
            'fields' => array_map(
                static fn (StartField $field): array => self::fieldInUnits(
                    $field->toArray($units, $catalogue),
                    $units,
                ),
                $this->fields,
            ),
            'starts' => $this->starts,
        ];
    }

    /**
     * Gives what follows from what was measured: lengths as a tape says them, what is taken along, the steps. A length
     * that rests on something that is measured later is left out.
     *
     * @param array<string, string> $values as they were typed, by id of the field
     * @param Job $job with the units, and the pipe that it knows
     * @return HowToAnswer
     */
    public function answer(array $values, Job $job, Catalogue $catalogue): array
    {
        $said = new Said($this->fields, $values, $job->units, $catalogue, PipeWords::of($job, $catalogue));
        $text = static fn (string $text): string => self::inUnits($said->filled($text), $job->units);
        $lengths = [];
        foreach ($this->lengths as ['label' => $label, 'sum' => $sum, 'say' => $say, 'when' => $when]) {
            $terms = preg_split('/[+-]/', $sum);
            $isLater = array_filter($terms === false ? [] : $terms, $said->isLater(...)) !== [];
            if ($said->problems === [] && $said->holds($when) && ! $isLater) {
                $mm = $said->sum($sum);
                $lengths[] = [
                    'label' => $label,
                    'length' => (new Tape)->long($mm, $job->units),
                    'say' => $text($say),
                ];
            }
        }

        return [
            'problems' => $said->problems,
            'later' => $said->later(),
            'lengths' => $said->problems === [] ? $lengths : [],
            'parts' => $this->partsOf($said, $text),
            'steps' => $this->stepsOf($said, $text),
        ];
    }

    /**
     * @param callable(string): string $text
     * @return list<string>
     */
    private function partsOf(Said $said, callable $text): array
    {
        $parts = [];
        foreach ($this->parts as ['what' => $what, 'when' => $when]) {
            if ($said->holds($when)) {
                $parts[] = $text($what);
            }
        }

        return $parts;
    }

    /**
     * @param callable(string): string $text
     * @return list<HowToStep>
     */
    private function stepsOf(Said $said, callable $text): array
    {
        $steps = [];
        foreach ($this->steps as ['do' => $do, 'say' => $say, 'caution' => $caution, 'when' => $when]) {
            if ($said->holds($when)) {
                $steps[] = ['do' => $text($do), 'say' => $text($say), 'caution' => $text($caution)];
            }
        }

        return $steps;
    }

    /**
     * @param WrittenField $field
     * @return WrittenField
     */
    private static function fieldInUnits(array $field, Units $units): array
    {
        $choices = array_map(
            static fn (array $choice): array => ['name' => self::inUnits($choice['name'], $units)] + $choice,
            $field['choices'],
        );
        $texts = [
            'hold' => self::inUnits($field['hold'], $units),
            'source' => self::inUnits($field['source'], $units),
        ];

        return $texts + ['choices' => $choices] + $field;
    }

    /** Chooses what is said in inches or in millimetres: `[6 in|150 mm]`. */
    private static function inUnits(string $text, Units $units): string
    {
        $which = $units === Units::Inch ? '$1' : '$2';

        return (string) preg_replace('/\[([^\[\]|]*)\|([^\[\]|]*)\]/', $which, $text);
    }

    /** @return array{label: string, sum: string, say: string, when: string} */
    private static function length(Fields $row): array
    {
        $length = [
            'label' => $row->string('label', 120),
            'sum' => $row->string('sum', 120),
            'say' => $row->stringOr('say', '', 300),
            'when' => $row->stringOr('when', '', 120),
        ];
        $row->end();

        return $length;
    }

    /** @return array{what: string, when: string} */
    private static function part(Fields $row): array
    {
        $part = ['what' => $row->string('what', 200), 'when' => $row->stringOr('when', '', 120)];
        $row->end();

        return $part;
    }

    /** @return array{do: string, say: string, caution: string, when: string} */
    private static function step(Fields $row): array
    {
        $step = [
            'do' => $row->string('do', 120),
            'say' => $row->string('say', 500),
            'caution' => $row->stringOr('caution', '', 300),
            'when' => $row->stringOr('when', '', 120),
        ];
        $row->end();

        return $step;
    }
}
