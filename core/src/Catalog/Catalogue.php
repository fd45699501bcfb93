<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\DataFile;
use FallBend\Core\Input\Fields;
use LogicException;

/**
 * Typed access to core/data: pipe systems, tables of parts, rulebooks, assumptions. A file is read and checked when it
 * is first asked for.
 * The user's own numbers and rows are laid over the raw rows before they are read, so that any number of any row can be
 * set, and is seen to be.
 *
 * @phpstan-import-type RowValues from DataFile
 */
final class Catalogue implements PipeSystems
{
    /** Tables of parts, beside the pipe systems. */
    public const PARTS = [
        'couplings',
        'gaskets',
        'adapters',
        'lubricants',
        'cements',
        'patterns',
        'traps',
        'clips',
        'fixtures',
        'tools',
        'hours',
    ];

    /** Groups of a system of which one row goes into the lengths of others. */
    private const FITTINGS = ['bends', 'branches'];

    /** How the ids of pipes begin, in every system. */
    private const PIPE = 'pipe/';

    private const SOCKET = 'socket/';

    /** @var array<string, PipeSystem> */
    private array $systems = [];

    /** @var array<string, Rulebook> */
    private array $rulebooks = [];

    /** @var array<string, list<string>> by kind */
    private array $names = [];

    /** @var Rows<Assumption>|null */
    private ?Rows $assumptions = null;

    /** @var array<string, Material>|null */
    private ?array $materials = null;

    private ?Ranges $ranges = null;

    private ?JoiningParts $parts = null;

    private ?CementTable $cements = null;

    private ?FixtureTable $fixtures = null;

    /**
     * @var array<string, array<array-key, array<array-key, mixed>>> raw rows by table and id, as far as they were asked
     *     for
     */
    private array $rowsById = [];

    /** @var list<CatalogueOverride> */
    private array $overrides = [];

    /** @var list<CatalogueAddition> */
    private array $additions = [];

    /** @param string $folder the folder that holds catalogue/, parts/, rulebooks/ and assumptions.json */
    public function __construct(private readonly string $folder) {}

    /** The catalogue that ships with the core. */
    public static function shipped(): self
    {
        return new self(DataFile::folder());
    }

    /**
     * The same catalogue with the user's own numbers and rows over it.
     *
     * @param list<CatalogueOverride> $overrides
     * @param list<CatalogueAddition> $additions
     */
    public function with(array $overrides, array $additions = []): self
    {
        if ($overrides === [] && $additions === []) {
            return $this;
        }
        $mine = clone $this;
        $mine->overrides = [...$this->overrides, ...$overrides];
        $mine->additions = [...$this->additions, ...$additions];
        foreach ([...$overrides, ...$additions] as $touched) {
            unset($mine->systems[$touched->table], $mine->rowsById[$touched->table]);
            $mine->cements = $touched->table === 'cements' ? null : $mine->cements;
            $mine->fixtures = $touched->table === 'fixtures' ? null : $mine->fixtures;
            // What a part takes is worked out from the pipes that it is made for, of any system.
            $isOfPipe = $touched instanceof CatalogueOverride && str_starts_with($touched->row, self::PIPE);
            $mine->parts = $isOfPipe || in_array($touched->table, self::PARTS, true) ? null : $mine->parts;
        }

        return $mine;
    }

    /** @return list<string> */
    public function systemKeys(): array
    {
        return $this->names('catalogue');
    }

    /** @return list<string> systems that runs can be laid out in */
    public function laidKeys(): array
    {
        return array_values(array_filter($this->systemKeys(), fn (string $key): bool => $this->system($key)->isLaid()));
    }

    /** @return list<string> */
    public function rulebookKeys(): array
    {
        return $this->names('rulebooks');
    }

    /** @return list<string> names of all tables whose numbers can be set */
    public function tableKeys(): array
    {
        return [...$this->systemKeys(), ...self::PARTS];
    }

    /** @throws BadInput if there is no such system */
    public function system(string $key): PipeSystem
    {
        return $this->systems[$key] ??= $this->readSystem($key);
    }

    /** @throws BadInput if there is no such rulebook */
    public function rulebook(string $key): Rulebook
    {
        $this->known('rulebooks', $key, 'rulebook');

        return $this->rulebooks[$key] ??= Rulebook::read(
            Fields::of($this->decoded("rulebooks/{$key}.json")),
            $this->isShipped() ? DataFile::rows($key)['thresholds'] ?? [] : [],
        );
    }

    /** Gives what a number that users set themselves may be. */
    public function ranges(): Ranges
    {
        return $this->ranges ??= Ranges::read(Fields::of($this->decoded('schemas/own-numbers.json')));
    }

    /** Gives the couplings, gaskets and adapters that joints are made with. */
    public function parts(): JoiningParts
    {
        return $this->parts ??= JoiningParts::read(
            $this,
            $this->areOwn(self::PIPE)
                ? []
                : [
                    'couplings' => $this->stored('couplings')['rows'] ?? [],
                    'gaskets' => $this->stored('gaskets')['rows'] ?? [],
                    'adapters' => $this->stored('adapters')['rows'] ?? [],
                ],
        );
    }

    /** Gives cements, primers, and their times. */
    public function cements(): CementTable
    {
        return $this->cements ??= CementTable::read(Fields::of($this->laidOver('cements')));
    }

    /** Gives what every fixture loads a drain with, under every rulebook. */
    public function fixtures(): FixtureTable
    {
        return $this->fixtures ??= FixtureTable::read(Fields::of($this->laidOver('fixtures')));
    }

    /**
     * Gives the tools and small things that joints are made with.
     *
     * @return list<array{shelf: 'consumable'|'tool'|'along', name: string, methods: list<string>, when: list<string>,
     *     note: string, provenance: Provenance}> `when` what else they are for: see Buying\Materials
     *
     * @throws BadInput if a row is wrong
     */
    public function tools(): array
    {
        return array_map(
            static fn (Fields $row): array => [
                'shelf' => $row->choice('shelf', ['consumable', 'tool', 'along']),
                'name' => $row->string('name'),
                'methods' => $row->strings('methods'),
                'when' => $row->has('when') ? $row->strings('when') : [],
                'note' => $row->stringOr('note', '', 1000),
                'provenance' => Provenance::read($row, 'tools'),
            ],
            Fields::of($this->laidOver('tools'))->children('rows'),
        );
    }

    /**
     * Gives how long one of each kind of work takes, minutes with the hands on it.
     *
     * @return array<string, Assumption> by id
     *
     * @throws BadInput if a row is wrong
     */
    public function hours(): array
    {
        $hours = [];
        foreach (Fields::of($this->laidOver('hours'))->children('rows') as $row) {
            $hours[$row->string('id')] = new Assumption(
                $row->number('value', 0, 10_000),
                'min',
                Provenance::read($row, 'hours'),
                $row->string('name'),
            );
        }

        return $hours;
    }

    /** Gives how a material bends and grows; null where no table states it. */
    public function material(string $id): ?Material
    {
        if ($this->materials === null) {
            $this->materials = [];
            foreach (Fields::of($this->decoded('materials.json'))->children('rows') as $row) {
                $material = Material::read($row);
                $this->materials[$material->id] = $material;
            }
        }

        return $this->materials[$id] ?? null;
    }

    /** @throws BadInput if its row is damaged */
    public function assumption(string $id): Assumption
    {
        return $this->assumptions()[$id] ?? throw new LogicException("core/data has no assumption {$id}");
    }

    /** Gives the angle that one made joint of a system gives without strain, degrees: a ring gives more than cement. */
    public function jointPlay(PipeSystem $system): Assumption
    {
        $hasRing = in_array($system->ownJoint, ['push-fit', 'bell-gasket', 'hub-gasket'], true);

        return $this->assumption($hasRing ? 'joint-play-ring' : 'joint-play');
    }

    /**
     * @return Rows<Assumption> by id
     *
     * @throws BadInput if the file is damaged
     */
    public function assumptions(): Rows
    {
        return $this->assumptions ??= Rows::under(
            Fields::of($this->decoded('assumptions.json')),
            'rows',
            static fn (Fields $row): Assumption => new Assumption(
                $row->number('value'),
                $row->string('unit'),
                Provenance::read($row, 'assumptions'),
                $row->string('what'),
            ),
        );
    }

    /**
     * Gives a table as it stands in the file, with the user's numbers and rows over it.
     *
     * @return array<string, mixed>
     *
     * @throws BadInput if there is no such table
     */
    public function table(string $key): array
    {
        if (! in_array($key, $this->tableKeys(), true)) {
            throw BadInput::at('table', 'must be one of '.implode(', ', $this->tableKeys()), $key);
        }

        return $this->laidOver($key);
    }

    /** @return array<array-key, mixed>|null a row by its id, raw; null where the table has none */
    public function row(string $table, string $id): ?array
    {
        if (! isset($this->rowsById[$table])) {
            $byId = [];
            foreach ($this->table($table) as $group) {
                // What has no id is no row; of two with the same id the first is the one.
                $byId +=
                    is_array($group) && array_is_list($group) ? array_column(array_reverse($group), null, 'id') : [];
            }
            /** @var array<array-key, array<array-key, mixed>> $byId */
            $this->rowsById[$table] = $byId;
        }

        return $this->rowsById[$table][$id] ?? null;
    }

    /**
     * @param array<array-key, mixed> $row
     * @return list<string> the fields of a row that are numbers, or would be if they were known
     */
    public static function numbers(array $row): array
    {
        $fields = [];
        foreach ($row as $field => $value) {
            if (
                (is_int($value) || is_float($value) || $value === null) &&
                preg_match('/_(mm|deg|nm|in_lb|lb|kg_per_m)$|^value$/', (string) $field) === 1
            ) {
                $fields[] = (string) $field;
            }
        }

        return $fields;
    }

    /**
     * Reads a table as the product will, to find what is wrong with rows and numbers of one's own.
     *
     * @throws BadInput at the group, the number of the row, and the field: `bends.12.turn_deg`
     */
    public function check(string $table): void
    {
        match (true) {
            in_array($table, $this->systemKeys(), true) => $this->system($table)->check(),
            in_array($table, ['couplings', 'gaskets', 'adapters'], true) => $this->parts()->check(),
            $table === 'cements' => $this->cements(),
            $table === 'fixtures' => $this->fixtures()->check(),
            $table === 'tools' => $this->tools(),
            $table === 'hours' => $this->hours(),
            default => $this->table($table),
        };
    }

    private function readSystem(string $key): PipeSystem
    {
        $this->known('catalogue', $key, 'system');

        return PipeSystem::read(
            Fields::of($this->laidOver($key)),
            $this->assumption('od-tolerance')->value,
            $this->family($key),
            $this->areOwn(self::PIPE, $key) || $this->areOwn(self::SOCKET, $key) ? [] : $this->stored($key),
        );
    }

    /**
     * Gives how the fittings of a system are made; null where it has none.
     *
     * @throws BadInput if the file is damaged
     */
    public function family(string $system): ?FittingFamily
    {
        foreach (Fields::of($this->decoded('fitting-lengths.json'))->children('rows') as $row) {
            if (in_array($system, $row->strings('systems'), true)) {
                return FittingFamily::read($row);
            }
        }

        return null;
    }

    /**
     * Gives every row of the systems, the parts and the rulebooks as its values, for `DataFile::compiled`.
     *
     * @return array<string, array<string, array<array-key, RowValues>>> by table, group and id
     *
     * @throws BadInput if a row is wrong
     */
    public function rowValues(): array
    {
        $rows = [];
        foreach ($this->systemKeys() as $key) {
            $rows[$key] = $this->system($key)->rowValues();
        }
        foreach ($this->parts()->rowValues() as $table => $parts) {
            $rows[$table] = ['rows' => $parts];
        }
        foreach ($this->rulebookKeys() as $key) {
            $rows[$key] = ['thresholds' => $this->rulebook($key)->rowValues()];
        }

        return $rows;
    }

    /** Whether it is the catalogue that ships with the core, or that with numbers of one's own over it. */
    private function isShipped(): bool
    {
        return $this->folder === DataFile::folder();
    }

    /** Whether a number of one's own stands in a row whose id begins so, of a table or of any. */
    private function areOwn(string $begin, ?string $table = null): bool
    {
        foreach ($this->overrides as $override) {
            if (($table === null || $override->table === $table) && str_starts_with($override->row, $begin)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @return array<string, array<array-key, RowValues>> the rows of a table that were read when the tables were
     *     compiled and have no number of one's own
     */
    private function stored(string $table): array
    {
        $stored = $this->isShipped() ? DataFile::rows($table) : [];
        foreach ($this->overrides as $override) {
            if ($override->table === $table) {
                foreach (array_keys($stored) as $group) {
                    // What was measured of one fitting goes into the lengths that are reckoned of the others.
                    if (in_array($group, self::FITTINGS, true) && isset($stored[$group][$override->row])) {
                        unset($stored['bends'], $stored['branches']);
                    }
                    unset($stored[$group][$override->row]);
                }
            }
        }
        foreach ($this->additions as $addition) {
            if ($addition->table === $table && in_array($addition->group, self::FITTINGS, true)) {
                unset($stored['bends'], $stored['branches']);
            }
        }

        return $stored;
    }

    /** @return array<string, mixed> */
    private function laidOver(string $table): array
    {
        $file = $this->decoded(in_array($table, self::PARTS, true) ? "parts/{$table}.json" : "catalogue/{$table}.json");
        foreach ($this->additions as $addition) {
            if ($addition->table === $table) {
                $group = $file[$addition->group] ?? [];
                $file[$addition->group] = [...is_array($group) ? $group : [], $addition->row];
            }
        }
        $mine = [];
        foreach ($this->overrides as $override) {
            if ($override->table === $table) {
                $mine[$override->row][] = $override;
            }
        }
        if ($mine !== []) {
            foreach ($file as $name => $group) {
                if (is_array($group) && array_is_list($group)) {
                    $file[$name] = array_map(
                        static fn (mixed $row): mixed => is_array($row) && is_string($row['id'] ?? null)
                            ? self::measured($row, $mine[$row['id']] ?? [])
                            : $row,
                        $group,
                    );
                }
            }
        }

        return $file;
    }

    /**
     * @param array<array-key, mixed> $row
     * @param list<CatalogueOverride> $overrides
     * @return array<array-key, mixed>
     */
    private static function measured(array $row, array $overrides): array
    {
        foreach ($overrides as $override) {
            $old = $row[$override->field] ?? null;
            $row['instead_of'] = [
                ...is_array($row['instead_of'] ?? null) ? $row['instead_of'] : [],
                $override->field => $old,
            ];
            // The spigot of a street bend is cast in one with it: it moves with the take-off unless it was measured
            // too.
            if (
                $override->field === 'take_off_mm' &&
                ($row['street'] ?? false) === true &&
                is_numeric($old) &&
                is_numeric($row['spigot_mm'] ?? null) &&
                ! isset($row['instead_of']['spigot_mm'])
            ) {
                $row['spigot_mm'] += $override->value - $old;
            }
            $was = $row['status'] === 'measured' ? null : $row['source'];
            $row =
                [
                    $override->field => $override->value,
                    'source' => $override->source,
                    'status' => 'measured',
                    'confidence' => 'high',
                ] +
                ($was === null ? [] : ['note' => 'In place of: '.(is_string($was) ? $was : '').'.']) +
                $row;
        }

        return $row;
    }

    private function known(string $kind, string $key, string $field): void
    {
        if (! in_array($key, $this->names($kind), true)) {
            throw BadInput::at($field, 'must be one of '.implode(', ', $this->names($kind)), $key);
        }
    }

    /** @return list<string> */
    private function names(string $kind): array
    {
        return $this->names[$kind] ??= DataFile::names("{$this->folder}/{$kind}");
    }

    /** @return array<string, mixed> */
    private function decoded(string $name): array
    {
        return DataFile::read("{$this->folder}/{$name}");
    }
}
