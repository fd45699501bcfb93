<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\CrewNumbers;
use App\Actions\WriteOnce;
use App\Models\OwnEntry;
use App\Models\User;
use FallBend\Core\Catalog\Browse;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\OwnNumbers;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Input\Fields;
use FallBend\Core\Measure\Units;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * The catalogue and the rulebooks as the crew sees them, and what the crew set in them for itself.
 *
 * @phpstan-import-type CatalogueEntry from Browse
 * @phpstan-import-type SystemSummary from Browse
 * @phpstan-import-type Source from Provenance
 *
 * @phpstan-type BookNumber array{
 *     id: string,
 *     title: string,
 *     value: ?float,
 *     unit: string,
 *     note: string,
 *     source: Source,
 *     own_id: ?int,
 * }
 * @phpstan-type BookNumbers array{id: string, name: string, units: 'inch'|'mm', thresholds: list<BookNumber>}
 * @phpstan-type CataloguePage array{
 *     entries: list<CatalogueEntry>,
 *     systems: list<SystemSummary>,
 *     rulebooks: list<BookNumbers>,
 * }
 */
final readonly class CatalogueController
{
    public function __construct(
        private Catalogue $catalogue,
        private CrewNumbers $crewNumbers,
        private WriteOnce $once,
    ) {}

    public function index(Request $request): JsonResponse
    {
        return new JsonResponse($this->page($request));
    }

    /** @return CataloguePage */
    private function page(Request $request): array
    {
        $asked = Fields::of($request->query());
        $own = $this->crewNumbers->numbers(User::asking($request)->crewId());
        $mine = $this->catalogue->with($own->catalogue, $own->additions);
        $book = $mine
            ->rulebook($asked->has('rulebook') ? $asked->string('rulebook') : 'ipc-2021')
            ->with($own->rulebook);
        $browse = new Browse($mine, $book, $book->units === 'mm' ? Units::Millimetre : Units::Inch);
        /** @var array<string, int> $ids */
        $ids = OwnEntry::ofCrew(User::asking($request)->crewId(), OwnEntry::OF_CATALOGUE)
            ->get()
            ->pluck('id', 'place')
            ->all();
        $entries = $browse->rows(
            $asked->string('kind'),
            $asked->stringOr('search', ''),
            $asked->stringOr('system', ''),
            $asked->stringOr('size', ''),
        );

        return [
            'entries' => array_map(static fn (array $entry): array => self::withOwn($entry, $ids), $entries),
            'systems' => $browse->systems(),
            'rulebooks' => array_map(
                fn (string $key): array => $this->rulebook($key, $own, $ids),
                $mine->rulebookKeys(),
            ),
        ];
    }

    /**
     * @param CatalogueEntry $entry
     * @param array<string, int> $ids of the crew's own numbers, by their place
     * @return CatalogueEntry with the id of the crew's own number beside each that has one
     */
    private static function withOwn(array $entry, array $ids): array
    {
        $numbers = [];
        foreach ($entry['numbers'] as $number) {
            $place = "{$entry['table']} {$entry['row']} {$number['field']}";
            $numbers[] = ['own_id' => $ids[$place] ?? null] + $number;
        }

        return ['numbers' => $numbers] + $entry;
    }

    public function own(Request $request): JsonResponse
    {
        $crew = User::asking($request)->crewId();
        $unusable = $this->crewNumbers->unusable($crew);
        $entries = OwnEntry::ofCrew($crew, OwnEntry::OF_CATALOGUE)->with('author')->get()->sortByDesc('id');
        $entry = static fn (OwnEntry $entry): array => self::entry($entry, $unusable[$entry->id] ?? null);

        return new JsonResponse(['own' => $entries->map($entry)->values()]);
    }

    public function store(Request $request): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        $kind = $body->choice('kind', OwnEntry::OF_CATALOGUE);
        $entry = $body->child('entry')->all();
        $body->end();
        $user = User::asking($request);
        $crew = $user->crewId() ?? abort(403, 'You are in no crew yet.');
        $keep = fn (): array => self::entry($this->crewNumbers->keep($crew, $user->id, $kind, $entry)->load('author'));

        return new JsonResponse($this->once->answer($request, $keep), 201);
    }

    public function destroy(Request $request, int $entry): Response
    {
        $crew = User::asking($request)->crewId();
        $this->once->answer($request, function () use ($crew, $entry): array {
            $this->crewNumbers->takeBack($crew, $entry);

            return [];
        });

        return new Response(status: 204);
    }

    /** @return array<string, mixed> */
    private static function entry(OwnEntry $entry, ?string $unusable = null): array
    {
        return [
            'id' => $entry->id,
            'kind' => $entry->kind,
            'entry' => json_decode($entry->entry, true, 64, JSON_THROW_ON_ERROR),
            'by' => $entry->author->name,
            'at' => $entry->created_at?->toIso8601String() ?? '',
            'unusable' => $unusable,
        ];
    }

    /**
     * @param array<string, int> $ids of own entries by place
     * @return BookNumbers
     */
    private function rulebook(string $key, OwnNumbers $own, array $ids): array
    {
        $book = $this->catalogue->rulebook($key)->with($own->rulebook);
        $set = array_values(
            array_filter($book->thresholds(), static fn (Threshold $threshold): bool => $threshold->canBeSet()),
        );

        return [
            'id' => $key,
            'name' => $book->name,
            'units' => $book->units,
            'thresholds' => array_map(
                static fn (Threshold $threshold): array => [
                    'id' => $threshold->id,
                    'title' => $threshold->title === ''
                            ? 'Least fall, '.implode(', ', $threshold->sizes)
                            : $threshold->title,
                    'value' => $threshold->value,
                    'unit' => $threshold->unit,
                    'note' => $threshold->provenance->note,
                    'source' => $threshold->provenance->toArray(),
                    'own_id' => $ids["{$key} {$threshold->id}"] ?? null,
                ],
                $set,
            ),
        ];
    }
}
