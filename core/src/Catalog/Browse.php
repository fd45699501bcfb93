<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Measure\Length;
use FallBend\Core\Measure\Phrasing;
use FallBend\Core\Measure\TapePrinter;
use FallBend\Core\Measure\Units;
use stdClass;

/**
 * The catalogue as it is browsed: rows of one kind, found by what they are called on site, each with its numbers, its
 * lies and where they come from.
 *
 * @phpstan-import-type Source from Provenance
 *
 * @phpstan-type SystemSummary array{
 *     key: string,
 *     name: string,
 *     short: string,
 *     region: 'us'|'uk',
 *     material: string,
 *     letters: string,
 *     laid: bool,
 *     drain: bool,
 *     sizes: list<string>,
 *     laid_sizes: list<string>,
 *     ends: list<string>,
 * }
 * @phpstan-type CatalogueEntry array{
 *     table: string,
 *     group: string,
 *     row: string,
 *     name: string,
 *     maker_name: string,
 *     also: list<string>,
 *     size: string,
 *     system: ?string,
 *     material: string,
 *     pattern: ?string,
 *     turn_deg: ?float,
 *     family: string,
 *     numbers: list<EntryNumber>,
 *     lies: list<Lie>,
 *     drawn: array<string, float>|stdClass,
 *     facts: list<string>,
 *     doubtful: bool,
 *     own: bool,
 *     note: string,
 *     source: Source,
 * }
 * @phpstan-type EntryNumber array{
 *     field: string,
 *     label: string,
 *     value: ?float,
 *     said: string,
 *     doubt: ?string,
 *     instead_of: ?string,
 *     own_id: ?int,
 * }
 * @phpstan-type Lie array{
 *     place: string,
 *     verdict: 'yes'|'no'|'only'|'none',
 *     said: string,
 * }
 * @phpstan-type EntryWith array{
 *     name?: string,
 *     maker_name?: string,
 *     also?: list<string>,
 *     system?: string,
 *     material?: string,
 *     pattern?: string,
 *     turn_deg?: ?float,
 *     family?: string,
 *     lies?: list<Lie>,
 *     drawn?: array<string, float>,
 *     facts?: list<string>,
 *     note?: string,
 *     reckoned?: array<string, array{float, float}>,
 * }
 */
final readonly class Browse
{
    public const KINDS = [
        'fittings',
        'pipes',
        'couplings',
        'gaskets',
        'adapters',
        'traps',
        'clips',
        'cements',
        'lubricants',
    ];

    /** What the book says of a fitting that lies so. */
    private const VERDICTS = ['yes', 'no', 'only'];

    /** Numbers that are only needed for a drawing or to tell apart, not shown first. */
    private const QUIET = [
        'nominal_deg',
        'out_of_round_mm',
        'bead_od_mm',
        'radius_mm',
        'od_plus_mm',
        'od_minus_mm',
        'hub_inside_mm',
        'entrance_mm',
        'bottom_mm',
        'up_to_od_mm',
    ];

    private Phrasing $phrasing;

    public function __construct(private Catalogue $catalogue, private Rulebook $rulebook, private Units $units)
    {
        $this->phrasing = new Phrasing($units);
    }

    /**
     * @param string $search words that name, maker's name, other names or size must all hold
     * @param string $system key of a system, or empty
     * @param string $size or empty
     * @return list<CatalogueEntry>
     *
     * @throws BadInput if there is no such kind
     */
    public function rows(string $kind, string $search = '', string $system = '', string $size = ''): array
    {
        if (! in_array($kind, self::KINDS, true)) {
            throw BadInput::at('kind', 'must be one of '.implode(', ', self::KINDS), $kind);
        }
        $entries = match ($kind) {
            'fittings' => $this->fittings($system),
            'pipes' => $this->pipes($system),
            default => $this->parts($kind),
        };
        $words = array_filter(explode(' ', mb_strtolower($search)), static fn (string $word): bool => $word !== '');

        return array_values(
            array_filter($entries, static function (array $entry) use ($words, $size): bool {
                $text = mb_strtolower(
                    (string) json_encode(
                        [$entry['name'], $entry['maker_name'], $entry['size'], $entry['also'], $entry['facts']],
                        JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
                    ),
                );
                foreach ($words as $word) {
                    if (! str_contains($text, $word)) {
                        return false;
                    }
                }

                return $size === '' || $entry['size'] === $size || $entry['size'] === '';
            }),
        );
    }

    /** @return list<SystemSummary> one line for each system */
    public function systems(): array
    {
        return array_map(function (string $key): array {
            $system = $this->catalogue->system($key);

            return [
                'key' => $key,
                'name' => $system->name,
                'short' => $system->short,
                'region' => $system->region,
                'material' => $system->material,
                'letters' => $system->letters,
                'laid' => $system->isLaid(),
                'drain' => $system->isDrain,
                'sizes' => $system->sizes(),
                'laid_sizes' => $system->sizes(true),
                'ends' => $system->ends,
            ];
        }, $this->catalogue->systemKeys());
    }

    /** @return list<CatalogueEntry> */
    private function pipes(string $only): array
    {
        $entries = [];
        foreach ($this->keys($only) as $key) {
            $system = $this->catalogue->system($key);
            foreach ($this->group($key, 'pipes') as $row) {
                $size = self::text($row, 'size');
                $entries[] = $this->entry($key, 'pipes', $row, [
                    'name' => "{$system->short} {$size}",
                    'maker_name' => $system->name,
                    'also' => [...$system->prints, ...$system->colours],
                    'system' => $key,
                    'material' => $system->material,
                    'family' => 'pipe',
                    'drawn' => ['od_mm' => $system->pipe($size)->outsideMm, 'bore_mm' => $system->pipe($size)->boreMm],
                    'facts' => array_values(
                        array_filter([
                            $system->isDrain ? '' : 'Not for drains: water tube.',
                            $system->isMagnetic ? 'A magnet holds.' : '',
                        ]),
                    ),
                ]);
            }
        }

        return $entries;
    }

    /** @return list<CatalogueEntry> */
    private function fittings(string $only): array
    {
        $entries = [];
        foreach ($this->keys($only) as $key) {
            $system = $this->catalogue->system($key);
            foreach (['bends', 'couplings', 'bushings', 'trap_adapters'] as $group) {
                foreach ($this->group($key, $group) as $row) {
                    $size = self::text($row, 'size');
                    $bend = $group === 'bends' ? $system->bends[self::text($row, 'id')] ?? null : null;
                    $pipe = $system->pipe($size);
                    $entries[] = $this->entry($key, $group, $row, [
                        'also' => self::texts($row, 'job_site_names'),
                        'system' => $key,
                        'material' => $system->material,
                        'pattern' => $bend->pattern ?? ($group === 'bushings' ? 'bushing' : rtrim($group, 's')),
                        'turn_deg' => $bend?->turnDeg,
                        'family' => $bend === null ? 'straight' : ($bend->isStreet ? 'street bend' : 'bend'),
                        'lies' => $bend === null ? [] : $this->lies($bend->pattern, $size, $system),
                        'drawn' => [
                            'od_mm' => $pipe->outsideMm,
                            'bore_mm' => $pipe->boreMm,
                            'depth_mm' => $pipe->socketDepthMm,
                        ] +
                            ($bend === null
                                ? []
                                : [
                                    'take_off_mm' => $bend->takeOffMm,
                                    'radius_mm' => $bend->radiusMm,
                                    'turn_deg' => $bend->turnDeg,
                                    'spigot_mm' => $bend->spigotMm ?? 0.0,
                                ]),
                        'facts' => [$system->name],
                        'note' => $bend->provenance->note ?? Fields::of($row)->stringOr('note', '', 1000),
                        'reckoned' => $bend === null
                            ? []
                            : [
                                'take_off_mm' => [$bend->takeOffMm - $pipe->gapMm, $bend->doubtMm],
                                'spigot_mm' => [$bend->spigotMm ?? 0.0, $bend->spigotDoubtMm],
                                'outlet_mm' => [$bend->outletMm() - $pipe->gapMm, $bend->outletDoubtMm()],
                            ],
                    ]);
                }
            }
            foreach ($this->group($key, 'branches') as $row) {
                $entries[] = $this->branch($system, $row);
            }
        }

        return [...$entries, ...$this->patterns($only)];
    }

    /**
     * @param array<array-key, mixed> $row
     * @return CatalogueEntry
     */
    private function branch(PipeSystem $system, array $row): array
    {
        $branch = $system->branches[self::text($row, 'id')];
        $pipe = $system->pipe($branch->size);

        return $this->entry($system->key, 'branches', $row, [
            'name' => "{$branch->sizeInWords()} {$branch->name}",
            'also' => self::texts($row, 'job_site_names'),
            'system' => $system->key,
            'material' => $system->material,
            'pattern' => $branch->pattern,
            'turn_deg' => $branch->turnDeg,
            'family' => 'branch',
            'drawn' => [
                'od_mm' => $pipe->outsideMm,
                'bore_mm' => $pipe->boreMm,
                'depth_mm' => $pipe->socketDepthMm,
                'turn_deg' => $branch->turnDeg,
            ],
            'facts' => [$system->name],
            'note' => $branch->provenance->note,
            'reckoned' => [
                'run_in_mm' => [$branch->runInMm - $pipe->gapMm, $branch->runInDoubtMm],
                'run_out_mm' => [$branch->runOutMm - $pipe->gapMm, $branch->runOutDoubtMm],
                'branch_mm' => [$branch->branchMm - $pipe->gapMm, $branch->branchDoubtMm],
            ],
        ]);
    }

    /** @return list<CatalogueEntry> every fitting that has a name of its own, with what the books say of it */
    private function patterns(string $only): array
    {
        $region = $only === '' ? '' : $this->catalogue->system($only)->region;
        $entries = [];
        foreach ($this->group('patterns', 'rows') as $row) {
            if ($region !== '' && self::text($row, 'region') !== $region) {
                continue;
            }
            $turns = is_array($row['turn_deg'] ?? null) ? $row['turn_deg'] : [];
            $turn = is_numeric($turns[0] ?? null) ? (float) $turns[0] : null;
            $dims = is_array($row['dims'] ?? null) ? $row['dims'] : [];
            $numbers = [];
            foreach ($dims as $dim) {
                if (is_array($dim) && is_numeric($dim['branch_mm'] ?? null)) {
                    $numbers[] =
                        self::text($dim, 'size').
                        ' in '.
                        str_replace('dwv', 'plastic', self::text($dim, 'family')).
                        ': branch '.
                        $this->length((float) $dim['branch_mm']).
                        (is_numeric($dim['run_mm'] ?? null) ? ', run '.$this->length((float) $dim['run_mm']) : '');
                }
            }
            $entries[] = $this->entry('patterns', 'rows', $row, [
                'also' => self::texts($row, 'job_site_names'),
                'pattern' => self::text($row, 'id'),
                'turn_deg' => $turn,
                'family' => self::text($row, 'family'),
                'lies' => $this->patternLies($row),
                'drawn' => ['od_mm' => 60.325, 'bore_mm' => 52.0, 'depth_mm' => 19.05, 'turn_deg' => $turn ?? 0.0],
                'facts' => $numbers,
            ]);
        }

        return $entries;
    }

    /** @return list<CatalogueEntry> */
    private function parts(string $table): array
    {
        $entries = [];
        foreach ($this->catalogue->table($table) as $group => $rows) {
            foreach (is_array($rows) && array_is_list($rows) ? $rows : [] as $row) {
                if (
                    is_array($row) &&
                    isset($row['id'], $row['source']) &&
                    (isset($row['name']) || $table === 'cements')
                ) {
                    $entries[] = $this->entry($table, $group, $row, [
                        'facts' => $this->facts($table, $row),
                        'family' => self::text($row, 'method') === '' ? $table : self::text($row, 'method'),
                    ]);
                }
            }
        }

        return $entries;
    }

    /**
     * @param array<array-key, mixed> $row
     * @return list<string>
     */
    private function facts(string $table, array $row): array
    {
        if ($table === 'couplings') {
            $coupling = $this->catalogue->parts()->couplings[self::text($row, 'id')] ?? null;

            return $coupling === null
                ? []
                : array_map(
                    fn (PipeRange $range): string => 'takes '.
                        implode(', ', $range->names).
                        ': '.
                        $this->phrasing->diameter($range->lowMm).
                        ' to '.
                        $this->phrasing->diameter($range->highMm).
                        ' (worked out from the pipes)',
                    $coupling->sides,
                );
        }
        $facts = [
            ...array_map(static fn (string $harm): string => "harms: {$harm}", self::texts($row, 'harms')),
            ...self::texts($row, 'welds') === [] ? [] : ['welds '.implode(', ', self::texts($row, 'welds'))],
        ];
        foreach (['standard', 'rulebook', 'level_said', 'upright_said', 'said', 'unit', 'colour'] as $key) {
            if (is_string($row[$key] ?? null)) {
                $facts[] =
                    str_replace(['level_said', 'upright_said', '_'], ['level', 'upright', ' '], $key).
                    ': '.
                    $row[$key];
            }
        }

        return $facts;
    }

    /**
     * @param array<array-key, mixed> $row
     * @param EntryWith $with
     * @return CatalogueEntry
     */
    private function entry(string $table, string $group, array $row, array $with): array
    {
        $provenance = Provenance::read(Fields::of($row), $table);

        $name = self::text($row, 'name');

        return [
            'table' => $table,
            'group' => $group,
            'row' => $provenance->row,
            'name' => $with['name'] ?? ($name === '' ? $provenance->row : $name),
            'maker_name' => $with['maker_name'] ?? self::text($row, 'maker_name'),
            'also' => $with['also'] ?? [],
            'size' => self::text($row, 'size'),
            'system' => $with['system'] ?? null,
            'material' => $with['material'] ?? '',
            'pattern' => $with['pattern'] ?? null,
            'turn_deg' => $with['turn_deg'] ?? null,
            'family' => $with['family'] ?? $table,
            'numbers' => $this->numbers($row, $with['reckoned'] ?? []),
            'lies' => $with['lies'] ?? [],
            'drawn' => $with['drawn'] ?? new stdClass,
            'facts' => $with['facts'] ?? [],
            'doubtful' => $provenance->isDoubtful() || self::isUnstated($row),
            'own' => str_starts_with($provenance->row, 'own/'),
            'note' => $with['note'] ?? $provenance->note,
            'source' => $provenance->toArray(),
        ];
    }

    /**
     * Whether a length that pieces are cut to is not stated.
     *
     * @param array<array-key, mixed> $row
     */
    private static function isUnstated(array $row): bool
    {
        $lengths = ['take_off_mm', 'depth_mm', 'body_mm', 'length_mm', 'run_in_mm', 'run_out_mm', 'branch_mm'];

        return in_array(null, array_intersect_key($row, array_flip($lengths)), true);
    }

    /**
     * @param array<array-key, mixed> $row
     * @param array<string, array{float, float}> $reckoned lengths by field, each with how far off it may be, mm
     * @return list<EntryNumber>
     */
    private function numbers(array $row, array $reckoned): array
    {
        $numbers = [];
        $instead = is_array($row['instead_of'] ?? null) ? $row['instead_of'] : [];
        foreach (Catalogue::numbers($row) as $field) {
            $hasSpigot = ($row['street'] ?? false) === true || ($reckoned['spigot_mm'][0] ?? 0.0) > 0.0;
            if (in_array($field, self::QUIET, true) || ($field === 'spigot_mm' && ! $hasSpigot)) {
                continue;
            }
            $value = is_numeric($row[$field] ?? null) ? (float) $row[$field] : null;
            [$mm, $doubt] = $reckoned[$field] ?? [null, 0.0];
            $numbers[] = [
                'field' => $field,
                'label' => NumberNames::label($field, $this->units),
                'value' => $value ?? $mm,
                'said' => match (true) {
                    $value !== null => $this->inWords($field, $value),
                    $mm !== null => $this->inWords($field, $mm),
                    default => 'not stated',
                },
                'doubt' => $value === null && $mm !== null ? "± {$this->within($doubt)}, reckoned" : null,
                'instead_of' => array_key_exists($field, $instead)
                    ? (is_numeric($instead[$field])
                        ? $this->inWords($field, (float) $instead[$field])
                        : 'not stated')
                    : null,
                'own_id' => null,
            ];
        }

        return $numbers;
    }

    private function inWords(string $field, float $value): string
    {
        return match (true) {
            in_array($field, ['od_mm', 'wall_mm', 'bore_mm', 'film_mm'], true) => $this->phrasing->diameter($value),
            str_ends_with($field, '_mm') => $this->length($value),
            str_ends_with($field, '_deg') => rtrim(rtrim(number_format($value, 1, '.', ''), '0'), '.').'°',
            default => rtrim(rtrim(number_format($value, 2, '.', ''), '0'), '.'),
        };
    }

    private function length(float $mm): string
    {
        return TapePrinter::withUnit(Length::mm($mm), $this->units);
    }

    private function within(float $doubtMm): string
    {
        return TapePrinter::within(Length::mm($doubtMm), $this->units);
    }

    /** @return list<Lie> how a bend may lie under the rulebook */
    private function lies(string $pattern, string $size, PipeSystem $system): array
    {
        $lies = [];
        foreach (['level-upright', 'upright-level', 'level-level'] as $place) {
            $threshold = $this->rulebook->forTurn($pattern, $place);
            $lies[] = [
                'place' => $place,
                'verdict' => match ($threshold?->verdict) {
                    null => 'none',
                    'yes' => 'yes',
                    'no' => 'no',
                    'fixture-drain-only', 'large-or-fixture-drain' => $threshold->upToSize !== null &&
                    isset($system->pipes[$threshold->upToSize]) &&
                    $system->isLarger($size, $threshold->upToSize) &&
                    $threshold->verdict === 'fixture-drain-only'
                        ? 'no'
                        : 'only',
                    default => 'only',
                },
                'said' => $threshold->provenance->note ?? '',
            ];
        }

        return $lies;
    }

    /**
     * @param array<array-key, mixed> $row
     * @return list<Lie>
     */
    private function patternLies(array $row): array
    {
        foreach (is_array($row['flow'] ?? null) ? $row['flow'] : [] as $flow) {
            if (is_array($flow) && ($flow['rulebook'] ?? null) === $this->rulebook->id) {
                $lies = [];
                foreach (['level_upright', 'upright_level', 'level_level'] as $place) {
                    $verdict = self::text($flow, $place);
                    $lies[] = [
                        'place' => str_replace('_', '-', $place),
                        'verdict' => in_array($verdict, self::VERDICTS, true) ? $verdict : 'none',
                        'said' => self::text($flow, "{$place}_said") === ''
                                ? self::text($flow, 'note')
                                : self::text($flow, "{$place}_said"),
                    ];
                }

                return [
                    ...$lies,
                    [
                        'place' => 'dry-vent',
                        'verdict' => self::text($row, 'vent') === 'yes' ? 'yes' : 'no',
                        'said' => '',
                    ],
                ];
            }
        }

        return [];
    }

    /** @return list<string> */
    private function keys(string $only): array
    {
        return $only === '' ? $this->catalogue->systemKeys() : [$this->catalogue->system($only)->key];
    }

    /** @return list<array<array-key, mixed>> */
    private function group(string $table, string $group): array
    {
        $rows = $this->catalogue->table($table)[$group] ?? [];

        return is_array($rows) ? array_values(array_filter($rows, is_array(...))) : [];
    }

    /** @param array<array-key, mixed> $row */
    private static function text(array $row, string $key): string
    {
        return is_string($row[$key] ?? null) ? $row[$key] : '';
    }

    /**
     * @param array<array-key, mixed> $row
     * @return list<string>
     */
    private static function texts(array $row, string $key): array
    {
        return is_array($row[$key] ?? null) ? array_values(array_filter($row[$key], is_string(...))) : [];
    }
}
