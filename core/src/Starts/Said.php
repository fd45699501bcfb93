<?php

declare(strict_types=1);

namespace FallBend\Core\Starts;

use FallBend\Core\CallOut\PipeWords;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Measure\Length;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\TapePrinter;
use FallBend\Core\Measure\TapeReader;
use FallBend\Core\Measure\Units;
use FallBend\Core\Measure\UnreadableLength;
use LogicException;

/** What was answered to the fields of a start or of a way to do something, and the texts that are made of it. */
final class Said
{
    /** @var array<string, string> what is wrong, by id of the field */
    public array $problems = [];

    /** @var array<string, string> what was said and can be used, by id of the field */
    private array $texts = [];

    /** @var array<string, float> numbers among them: lengths in mm, angles in degrees */
    private array $numbers = [];

    /**
     * @param list<StartField> $fields
     * @param array<string, string> $values as they were typed; what is missing is as it stands at first
     */
    public function __construct(
        private readonly array $fields,
        array $values,
        private readonly Units $units,
        private readonly Catalogue $catalogue,
        private readonly PipeWords $pipes,
    ) {
        foreach ($fields as $field) {
            if ($this->holds($field->when)) {
                $this->take($field, trim($values[$field->id] ?? $field->startsWith($units)));
            }
        }
        foreach ($fields as $field) {
            [$said, $limit] = [$this->numbers[$field->id] ?? null, $this->numbers[$field->below] ?? null];
            if ($said !== null && $limit !== null && $said >= $limit) {
                $other = $this->field($field->below)->label ?? '';
                $this->problems[$field->id] = "It has to be less than “{$other}”.";
            }
        }
    }

    /** @return list<string> labels of what was left for later */
    public function later(): array
    {
        $later = [];
        foreach ($this->fields as $field) {
            if ($this->holds($field->when) && ! isset($this->texts[$field->id])) {
                $later[] = $field->label;
            }
        }

        return $later;
    }

    /**
     * Whether a condition holds: `field=word`, `field!=word`, `field` (it was said), several with ` and `; an empty one
     * always does.
     */
    public function holds(string $condition): bool
    {
        foreach ($condition === '' ? [] : explode(' and ', $condition) as $one) {
            $words = explode('=', $one);
            [$field, $word] = [$words[0], $words[1] ?? null];
            $isNot = str_ends_with($field, '!');
            $said = $this->texts[rtrim($field, '!')] ?? null;
            if ($word === null ? $said === null : ($said === $word) === $isNot) {
                return false;
            }
        }

        return true;
    }

    /**
     * Fills a text: `{field}`, lengths and numbers of mm added up as in `{height-drop+900}`, `{pipe.system}`,
     * `{pipe.size}`. A length is printed as the call-out line reads it.
     */
    public function filled(string $text): string
    {
        return (string) preg_replace_callback(
            '/\{([a-z_]+)(\.system|\.size|(?:[+-][a-z0-9_]+)+)?\}/',
            fn (array $m): string => $this->word($m[1], $m[2] ?? ''),
            $text,
        );
    }

    /** Whether a field was left to be measured later. */
    public function isLater(string $field): bool
    {
        return $this->field($field) !== null && ! isset($this->texts[$field]);
    }

    /**
     * Gives what fields and numbers add up to, in mm or degrees: `height-drop`, `180-angle`; a length that comes to
     * nothing is a problem of the first of them.
     */
    public function sum(string $sum): float
    {
        $parts = preg_split('/(?=[+-])/', $sum);
        $parts = $parts === false ? [] : $parts;
        $total = 0.0;
        foreach ($parts as $part) {
            $term = ltrim($part, '+-');
            $value = is_numeric($term) ? (float) $term : $this->numbers[$term] ?? 0.0;
            $total += (str_starts_with($part, '-') ? -1 : 1) * $value;
        }
        if ($total <= 0.0 && count($parts) > 1) {
            $other = $this->field(ltrim($parts[1], '+-'))->label ?? '';
            $this->problems[$parts[0]] ??= "It has to be more than “{$other}”.";
        }

        return $total;
    }

    private function field(string $id): ?StartField
    {
        return array_column($this->fields, null, 'id')[$id] ?? null;
    }

    private function word(string $field, string $more): string
    {
        $said = $this->texts[$field] ?? '';
        $kind =
            $this->field($field)->kind ?? throw new LogicException("no {$field} is asked for");
        [$system, $size] = [...explode(' ', $said, 2), ''];

        return match (true) {
            $kind === FieldKind::Pipe && $more === '.system' => $system,
            $kind === FieldKind::Pipe && $more === '.size' => $size,
            $kind === FieldKind::Pipe => $said === '' ? '' : "{$size} {$this->pipes->wordFor($system)}",
            $kind === FieldKind::Length => TapePrinter::exact(Length::mm($this->sum($field.$more)), $this->units),
            default => $said,
        };
    }

    private function take(StartField $field, string $text): void
    {
        if ($text === '') {
            if (! $field->isOptional) {
                $this->problems[$field->id] = 'This is needed.';
            }

            return;
        }
        match ($field->kind) {
            FieldKind::Length => $this->takeLength($field, $text),
            FieldKind::Angle => $this->takeAngle($field, $text),
            default => $this->takeChoice($field, $text),
        };
    }

    private function takeLength(StartField $field, string $text): void
    {
        try {
            $mm = (new TapeReader($this->units))->read($text)->toMm();
        } catch (UnreadableLength $error) {
            $this->problems[$field->id] = $error->getMessage();

            return;
        }
        $beyond = $this->beyond($field, $mm, fn (float $limit): string => $this->said($limit));
        if ($beyond !== null) {
            $this->problems[$field->id] = $beyond;

            return;
        }
        [$this->numbers[$field->id], $this->texts[$field->id]] = [$mm, $text];
    }

    private function takeAngle(StartField $field, string $text): void
    {
        $number = rtrim(str_replace(',', '.', $text), '° ');
        if (! is_numeric($number)) {
            $this->problems[$field->id] = 'Say degrees, as 45 or 22.5.';

            return;
        }
        $beyond = $this->beyond($field, (float) $number, static fn (float $limit): string => "{$limit}°");
        if ($beyond !== null) {
            $this->problems[$field->id] = $beyond;

            return;
        }
        [$this->numbers[$field->id], $this->texts[$field->id]] = [(float) $number, $number];
    }

    private function takeChoice(StartField $field, string $text): void
    {
        if (in_array($text, array_column($field->choices($this->catalogue), 'key'), true)) {
            $this->texts[$field->id] = $text;
        } else {
            $this->problems[$field->id] = 'Choose one of them.';
        }
    }

    /** @param callable(float): string $said */
    private function beyond(StartField $field, float $value, callable $said): ?string
    {
        return match (true) {
            $field->least !== null && $value < $field->least => "At least {$said($field->least)}.",
            $field->most !== null && $value > $field->most => "At most {$said($field->most)}.",
            default => null,
        };
    }

    private function said(float $mm): string
    {
        return (new Tape)->long($mm, $this->units);
    }
}
