<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** The thresholds of one code book. Rules ask it by topic; it chooses numbers, never code paths. */
final readonly class Rulebook
{
    /** @var array<string, list<Threshold>> by topic */
    private array $byTopic;

    /** @param  array<string, Threshold>  $thresholds by id */
    private function __construct(public string $id, public string $name, public string $style, public string $units, public Usual $usual, public array $thresholds)
    {
        $byTopic = [];
        foreach ($thresholds as $threshold) {
            $byTopic[$threshold->topic][] = $threshold;
        }
        $this->byTopic = $byTopic;
    }

    /** @throws BadInput if a row is wrong or an id stands twice */
    public static function read(Fields $file): self
    {
        $file->choice('schema', ['rulebook.v1']);
        $id = $file->string('id');
        $thresholds = [];
        foreach ($file->children('thresholds') as $row) {
            $threshold = Threshold::read($row, $id);
            if (isset($thresholds[$threshold->id])) {
                throw BadInput::at($row->at('id'), 'stands twice', $threshold->id);
            }
            $thresholds[$threshold->id] = $threshold;
        }

        return new self($id, $file->string('name'), $file->string('style'), $file->choice('units', ['inch', 'mm']), Usual::read($file->child('usual'), $id), $thresholds);
    }

    /** Gives the threshold of a topic for a size of a system, or null where the rulebook has none. One that names the system comes first in the file. */
    public function forSize(string $topic, string $size, ?string $system = null): ?Threshold
    {
        foreach ($this->byTopic[$topic] ?? [] as $threshold) {
            if (($threshold->sizes === [] || in_array($size, $threshold->sizes, true)) && ($threshold->systems === [] || in_array($system, $threshold->systems, true))) {
                return $threshold;
            }
        }

        return null;
    }

    /** Gives the threshold of a topic for a fixture on pipe of a size, or null where the rulebook has none. */
    public function forFixture(string $topic, string $fixture, ?string $size = null): ?Threshold
    {
        foreach ($this->byTopic[$topic] ?? [] as $threshold) {
            if (($threshold->fixtures === [] || in_array($fixture, $threshold->fixtures, true)) && ($size === null || $threshold->sizes === [] || in_array($size, $threshold->sizes, true))) {
                return $threshold;
            }
        }

        return null;
    }

    /** @return list<Threshold> all of a topic, in the order of the file */
    public function topic(string $topic): array
    {
        return $this->byTopic[$topic] ?? [];
    }

    /** Gives the first threshold of a topic, or null. */
    public function limit(string $topic): ?Threshold
    {
        return $this->byTopic[$topic][0] ?? null;
    }

    /** Gives the threshold for a size at the steepest fall of the table that is not steeper than the given one (mm per m); null where the table has none. */
    public function atFall(string $topic, string $size, float $fallMmPerM): ?Threshold
    {
        $best = null;
        foreach ($this->byTopic[$topic] ?? [] as $threshold) {
            if (in_array($size, $threshold->sizes, true) && $threshold->fallMmPerM <= $fallMmPerM + 0.1 && ($best === null || $threshold->fallMmPerM > $best->fallMmPerM)) {
                $best = $threshold;
            }
        }

        return $best;
    }

    /** Gives the value of a threshold by its id; 0 where the rulebook has none. */
    public function value(string $id): float
    {
        return ($this->thresholds[$id] ?? null)->value ?? 0.0;
    }

    /** Gives the source of a threshold by its id, or null. */
    public function source(string $id): ?Provenance
    {
        return ($this->thresholds[$id] ?? null)?->provenance;
    }

    /** Gives what the rulebook says of a pattern in an orientation, or null where it says nothing. */
    public function forTurn(string $pattern, string $orientation): ?Threshold
    {
        return $this->thresholds["turn.{$pattern}.{$orientation}"] ?? null;
    }

    /**
     * The same rulebook with local values.
     *
     * @param list<RulebookOverride> $overrides
     */
    public function with(array $overrides): self
    {
        $thresholds = $this->thresholds;
        foreach ($overrides as $override) {
            if ($override->rulebook === $this->id && isset($thresholds[$override->threshold])) {
                $thresholds[$override->threshold] = $thresholds[$override->threshold]->overridden($override->value, $override->source);
            }
        }

        return new self($this->id, $this->name, $this->style, $this->units, $this->usual, $thresholds);
    }
}
