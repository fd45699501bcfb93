<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Crew;
use App\Models\Job;
use App\Models\OwnEntry;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\CatalogueAddition;
use FallBend\Core\Catalog\CatalogueAdditionFile;
use FallBend\Core\Catalog\CatalogueOverride;
use FallBend\Core\Catalog\CatalogueOverrideFile;
use FallBend\Core\Catalog\OwnNumbers;
use FallBend\Core\Catalog\RulebookOverride;
use FallBend\Core\Catalog\RulebookOverrideFile;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * The numbers and rows that a crew set for itself, as the core takes them. One that cannot be used
 * (a table of a newer release
 * no longer has its row) is left out and listed with its reason: it stops nobody's work.
 */
final readonly class CrewNumbers
{
    /** So many entries a crew may have. */
    private const MOST = 2_000;

    public function __construct(private Catalogue $catalogue) {}

    public function numbers(?int $crewId): OwnNumbers
    {
        return $crewId === null ? new OwnNumbers : $this->read(self::entries($crewId))['own'];
    }

    /**
     * The same of the crew that a job belongs to, asked with one query: it is asked with every key press.
     *
     * @throws ModelNotFoundException<Job> if the user is in no crew that has such a job
     */
    public function ofJob(string $jobId, int $userId): OwnNumbers
    {
        $rows = DB::select(
            <<<'SQL'
            SELECT own_entries.* FROM jobs JOIN crew_user ON crew_user.crew_id = jobs.crew_id
            LEFT JOIN own_entries ON own_entries.crew_id = jobs.crew_id AND own_entries.kind IN (?, ?, ?)
            WHERE jobs.id = ? AND crew_user.user_id = ? ORDER BY own_entries.id
            SQL
            ,
            [...OwnEntry::OF_CATALOGUE, $jobId, $userId],
        );
        if ($rows === []) {
            throw (new ModelNotFoundException)->setModel(Job::class, [$jobId]);
        }
        // A crew without any is one row of nothing.
        $entries = array_filter($rows, static fn (mixed $row): bool => $row instanceof stdClass && $row->id !== null);

        return $this->read(OwnEntry::query()->hydrate(array_values($entries)))['own'];
    }

    /** @return array<int, string> why an entry is left out, by its id */
    public function unusable(?int $crewId): array
    {
        return $crewId === null ? [] : $this->read(self::entries($crewId))['unusable'];
    }

    /**
     * Sets a number, adds a row, or sets a threshold; what stood at the same place before is replaced. It is taken only
     * if the
     * tables can be read with everything that the crew set. To be called first in a
     * transaction: what others did while it waited for them is seen then.
     *
     * @param array<array-key, mixed> $entry as the job file has it
     *
     * @throws BadInput
     */
    public function keep(int $crewId, int $authorId, string $kind, array $entry): OwnEntry
    {
        Crew::holdOwnEntries($crewId);
        $entries = self::entries($crewId);
        $fields = Fields::of($entry, 'entry');
        $read = match ($kind) {
            'number' => CatalogueOverrideFile::read(
                $fields,
                $this->catalogue->with([], $this->read($entries)['own']->additions),
            ),
            'threshold' => RulebookOverrideFile::read($fields, $this->catalogue),
            default => CatalogueAdditionFile::read($fields, $this->catalogue),
        };
        $place = ['crew_id' => $crewId, 'kind' => $kind, 'place' => self::place($read)];
        $made = new OwnEntry(
            $place + [
                'author_id' => $authorId,
                'entry' => json_encode($read->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            ],
        );
        $stays = static fn (OwnEntry $old): bool => $old->kind !== $kind || $old->place !== $place['place'];
        $others = $entries->filter($stays);
        if ($others->count() >= self::MOST) {
            throw BadInput::at('entry', 'cannot be kept: a crew keeps '.self::MOST.' numbers and rows of its own');
        }
        $this->refuseHarm($entries, $others->push($made), 'entry');
        OwnEntry::query()->where($place)->delete();
        $made->save();

        return $made;
    }

    /**
     * Takes an entry back. One that others rest on stays: they are to be taken back first. To be called inside a
     * transaction.
     *
     * @throws BadInput
     */
    public function takeBack(?int $crewId, int $id): void
    {
        Crew::holdOwnEntries($crewId ?? 0);
        $entries = self::entries($crewId ?? 0);
        $entry = OwnEntry::ofCrew($crewId, OwnEntry::OF_CATALOGUE)->findOrFail($id);
        $this->refuseHarm($entries, $entries->reject(static fn (OwnEntry $old): bool => $old->id === $id), 'id');
        $entry->delete();
    }

    /** @return Collection<int, OwnEntry> in the order in which they were set */
    private static function entries(int $crewId): Collection
    {
        $rows = DB::select('SELECT * FROM own_entries WHERE crew_id = ? AND kind IN (?, ?, ?) ORDER BY id', [
            $crewId,
            ...OwnEntry::OF_CATALOGUE,
        ]);

        return OwnEntry::query()->hydrate($rows);
    }

    /**
     * @param Collection<int, OwnEntry> $before
     * @param Collection<int, OwnEntry> $after
     *
     * @throws BadInput if a table could not be read, or what could be used could be used no more
     */
    private function refuseHarm(Collection $before, Collection $after, string $at): void
    {
        ['own' => $own, 'unusable' => $unusable] = $this->read($after);
        $harmed = array_diff_key($unusable, $this->read($before)['unusable']);
        if ($harmed !== []) {
            $places = $after->whereIn('id', array_keys($harmed))->pluck('place')->take(3)->implode('; ');
            throw BadInput::at($at, "is what others rest on: take back first {$places}");
        }
        $mine = $this->catalogue->with($own->catalogue, $own->additions);
        foreach (array_unique(array_column([...$own->catalogue, ...$own->additions], 'table')) as $table) {
            try {
                $mine->check($table);
            } catch (BadInput $bad) {
                throw BadInput::at(
                    $at,
                    "leaves {$table} with what it cannot have: {$bad->field} {$bad->getMessage()}",
                    $bad->given,
                );
            }
        }
    }

    /**
     * @param Collection<int, OwnEntry> $entries
     * @return array{own: OwnNumbers, unusable: array<int, string>}
     */
    private function read(Collection $entries): array
    {
        $unusable = [];
        $additions = $this->additions($entries->where('kind', 'row'), $unusable);
        $mine = $this->catalogue->with([], $additions);
        [$numbers, $thresholds] = [[], []];
        foreach ($entries->whereIn('kind', ['number', 'threshold']) as $entry) {
            try {
                if ($entry->kind === 'number') {
                    $numbers[] = CatalogueOverrideFile::read(self::fields($entry), $mine);
                } else {
                    $thresholds[] = RulebookOverrideFile::read(self::fields($entry), $mine);
                }
            } catch (BadInput $bad) {
                $unusable[$entry->id] = "{$bad->field}: {$bad->getMessage()}";
            }
        }

        return ['own' => new OwnNumbers($numbers, $thresholds, $additions), 'unusable' => $unusable];
    }

    /**
     * @param Collection<int, OwnEntry> $rows
     * @param array<int, string> $unusable
     * @return list<CatalogueAddition>
     */
    private function additions(Collection $rows, array &$unusable): array
    {
        try {
            return CatalogueAdditionFile::list(array_values($rows->map(self::fields(...))->all()), $this->catalogue);
        } catch (BadInput) {
            // One of them is wrong: each is read by itself, to find which.
            $additions = [];
            foreach ($rows as $row) {
                try {
                    $additions[] = CatalogueAdditionFile::read(self::fields($row), $this->catalogue);
                } catch (BadInput $bad) {
                    $unusable[$row->id] = "{$bad->field}: {$bad->getMessage()}";
                }
            }

            return $additions;
        }
    }

    private static function place(CatalogueOverride|RulebookOverride|CatalogueAddition $read): string
    {
        return match (true) {
            $read instanceof CatalogueOverride => "{$read->table} {$read->row} {$read->field}",
            $read instanceof RulebookOverride => "{$read->rulebook} {$read->threshold}",
            default => "{$read->table} {$read->id()}",
        };
    }

    private static function fields(OwnEntry $entry): Fields
    {
        return Fields::of(json_decode($entry->entry, true, 64, JSON_THROW_ON_ERROR));
    }
}
