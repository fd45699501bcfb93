<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\DataFile;
use FallBend\Core\Input\Fields;
use LogicException;

/**
 * The thresholds of one code book. Rules ask it by topic; it chooses numbers, never code paths.
 *
 * @phpstan-import-type RowValues from DataFile
 */
final class Rulebook
{
    /** @var array<string, ?Threshold> by id, as far as they were asked for */
    private array $known = [];

    /** @var array<string, list<Threshold>> by topic, as far as they were asked for */
    private array $ofTopics = [];

    /** @var array<string, ?Threshold> what was found for a topic, or for one and a size, as far as it was asked for */
    private array $found = [];

    /**
     * @param 'inch'|'mm' $units
     * @param Rows<Threshold> $rows
     * @param array<string, Threshold> $local those that have another value here, by id
     */
    private function __construct(
        public readonly string $id,
        public readonly string $name,
        public readonly string $style,
        public readonly string $units,
        public readonly Usual $usual,
        private readonly Rows $rows,
        private readonly array $local,
    ) {}

    /**
     * A threshold is read when it is first asked for, and may be refused then.
     *
     * @param array<array-key, RowValues> $stored thresholds that were read before, by id
     *
     * @throws BadInput if something of the book itself is wrong
     */
    public static function read(Fields $file, array $stored = []): self
    {
        $file->choice('schema', ['rulebook.v1']);
        $id = $file->string('id');
        $rows = Rows::under(
            $file,
            'thresholds',
            static fn (Fields $row): Threshold => Threshold::read($row, $id),
            stored: $stored,
        );
        $usual = Usual::read($file->child('usual'), $id);

        return new self(
            $id,
            $file->string('name'),
            $file->string('style'),
            $file->choice('units', ['inch', 'mm']),
            $usual,
            $rows,
            [],
        );
    }

    /** @return array<array-key, RowValues> all thresholds, as their values, by id: what `read` takes as stored */
    public function rowValues(): array
    {
        return $this->rows->rowValues();
    }

    /** Gives a threshold by its id; null where the rulebook has none. */
    public function threshold(string $id): ?Threshold
    {
        if (! array_key_exists($id, $this->known)) {
            $this->known[$id] = $this->local[$id] ?? ($this->rows[$id] ?? null);
        }

        return $this->known[$id];
    }

    /** @return array<string, Threshold> all of them by id, in the order of the file */
    public function thresholds(): array
    {
        return [...$this->rows->all(), ...$this->local];
    }

    /**
     * Gives the threshold of a topic for a size of a system, or null where the rulebook has none. One that names the
     * system comes first in the file.
     */
    public function forSize(string $topic, string $size, ?string $system = null): ?Threshold
    {
        $key = "{$topic} {$size} {$system}";
        if (array_key_exists($key, $this->found)) {
            return $this->found[$key];
        }

        return $this->found[$key] = $this->first(
            $topic,
            static fn (array $row): bool => self::isFor($row, 'sizes', $size) &&
                self::isFor($row, 'systems', $system ?? ''),
        );
    }

    /** Gives the threshold of a topic for a fixture on pipe of a size, or null where the rulebook has none. */
    public function forFixture(string $topic, ?FixtureKind $fixture, ?string $size = null): ?Threshold
    {
        return $this->first(
            $topic,
            static fn (array $row): bool => self::isFor($row, 'fixtures', $fixture->value ?? '') &&
                ($size === null || self::isFor($row, 'sizes', $size)),
        );
    }

    /** @return list<Threshold> all of a topic, in the order of the file */
    public function topic(string $topic): array
    {
        return $this->ofTopics[$topic] ??= array_map(
            fn (Threshold $row): Threshold => $this->local[$row->id] ?? $row,
            $this->rows->having('topic', $topic),
        );
    }

    /** Gives the first threshold of a topic, or null. */
    public function limit(string $topic): ?Threshold
    {
        if (! array_key_exists($topic, $this->found)) {
            $this->found[$topic] = $this->first($topic, static fn (): bool => true);
        }

        return $this->found[$topic];
    }

    /**
     * Gives the threshold for a size at the steepest fall of the table that is not steeper than the given one
     * (mm per m); null where the table has none.
     */
    public function atFall(string $topic, string $size, float $fallMmPerM): ?Threshold
    {
        $best = null;
        foreach ($this->topic($topic) as $threshold) {
            if (
                in_array($size, $threshold->sizes, true) &&
                $threshold->fallMmPerM <= $fallMmPerM + 0.1 &&
                ($best === null || $threshold->fallMmPerM > $best->fallMmPerM)
            ) {
                $best = $threshold;
            }
        }

        return $best;
    }

    /** Gives the value of a threshold that every rulebook has, by its id. */
    public function number(string $id): float
    {
        return $this->threshold($id)->value ?? throw new LogicException("{$this->name} has no number {$id}");
    }

    /** Whether the rulebook takes what a threshold is about, by its id; false where it does not say so. */
    public function allows(string $id): bool
    {
        return ($this->threshold($id)->value ?? 0.0) >= 1.0;
    }

    /** Gives the source of a threshold by its id, or null. */
    public function source(string $id): ?Provenance
    {
        return $this->threshold($id)?->provenance;
    }

    /** Gives what the rulebook says of a pattern in an orientation, or null where it says nothing. */
    public function forTurn(string $pattern, string $orientation): ?Threshold
    {
        return $this->threshold("turn.{$pattern}.{$orientation}");
    }

    /**
     * Gives the first threshold of a topic whose row is as asked; no other is read. Another value does not change what
     * a row is for.
     *
     * @param callable(array<array-key, mixed>): bool $isAsked
     */
    private function first(string $topic, callable $isAsked): ?Threshold
    {
        foreach ($this->rows->idsHaving('topic', $topic) as $id) {
            if ($isAsked($this->rows->raw($id) ?? [])) {
                return $this->threshold($id);
            }
        }

        return null;
    }

    /**
     * Whether a row is for this: it names none of its kind, or this one.
     *
     * @param array<array-key, mixed> $row
     */
    private static function isFor(array $row, string $field, string $value): bool
    {
        $named = $row[$field] ?? [];

        return $named === [] || (is_array($named) && in_array($value, $named, true));
    }

    /**
     * The same rulebook with local values.
     *
     * @param list<RulebookOverride> $overrides
     */
    public function with(array $overrides): self
    {
        $local = $this->local;
        foreach ($overrides as $override) {
            $threshold = $local[$override->threshold] ?? $this->threshold($override->threshold);
            if ($override->rulebook === $this->id && $threshold !== null) {
                $local[$override->threshold] = $threshold->overridden($override->value, $override->source);
            }
        }

        return $local === []
            ? $this
            : new self($this->id, $this->name, $this->style, $this->units, $this->usual, $this->rows, $local);
    }

    /**
     * The same rulebook with what a town or an inspector has otherwise, under the name of both.
     *
     * @param string $by name of the amendments
     * @param list<RulebookOverride> $overrides
     */
    public function amended(string $by, array $overrides): self
    {
        $with = $this->with($overrides);
        $name = "{$this->name} with {$by}";

        return new self($with->id, $name, $with->style, $with->units, $with->usual, $with->rows, $with->local);
    }
}
