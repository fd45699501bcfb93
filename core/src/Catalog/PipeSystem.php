<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\DataFile;
use FallBend\Core\Input\Fields;

/**
 * Everything that the catalogue knows of one pipe system: how it is recognised, pipes with sockets, bends, couplings,
 * bushings, trap adapters.
 *
 * @phpstan-import-type RowValues from DataFile
 */
final class PipeSystem
{
    /** @var list<string>|null smallest first */
    private ?array $sizes = null;

    /** @var array<string, Pipe> by size, as far as they were asked for */
    private array $pipeOfSize = [];

    /**
     * @var array<string, array{float, float}|null> least and most outside diameter by size, as far as they were asked
     *     for
     */
    private array $outsideOfSize = [];

    /** @var array<string, list<Bend>> by size, as far as they were asked for */
    private array $bendsOfSize = [];

    /** @var array<string, list<Branch>> by sizes, as far as they were asked for */
    private array $branchesOfSizes = [];

    /**
     * @param 'us'|'uk' $region
     * @param string $short what it is called on site
     * @param ?string $ownJoint key of the method that joins it to its own fittings; null of a pipe that is recognised
     *     only to be refused
     * @param bool $isDrain false of a pipe that must not carry waste
     * @param bool $isMagnetic whether a magnet holds on it
     * @param list<string> $colours
     * @param list<string> $prints words that are printed on it, small letters
     * @param list<string> $jointsSeen kinds of joints that it is found in
     * @param list<string> $ends kinds of ends that it occurs with
     * @param Rows<Pipe> $pipes by size, smallest first
     * @param Rows<Bend> $bends
     * @param Rows<Branch> $branches
     * @param Rows<StraightFitting> $couplings
     * @param Rows<StraightFitting> $bushings
     * @param Rows<StraightFitting> $trapAdapters
     */
    private function __construct(
        public readonly string $key,
        public readonly string $region,
        public readonly string $material,
        public readonly string $name,
        public readonly string $short,
        public readonly string $letters,
        public readonly ?string $ownJoint,
        public readonly bool $isDrain,
        public readonly bool $isMagnetic,
        public readonly array $colours,
        public readonly array $prints,
        public readonly array $jointsSeen,
        public readonly array $ends,
        public readonly Rows $pipes,
        public readonly Rows $bends,
        public readonly Rows $branches,
        public readonly Rows $couplings,
        public readonly Rows $bushings,
        public readonly Rows $trapAdapters,
        private readonly float $assumedToleranceMm,
    ) {}

    /**
     * A row is read when it is first asked for, and may be refused then; `check` reads all of them.
     *
     * @param float $assumedToleranceMm of outside diameters where a row states none
     * @param ?FittingFamily $family how its fittings are made; null where it has none
     * @param array<string, array<array-key, RowValues>> $stored rows that were read before, by group
     *
     * @throws BadInput if something of the system itself is wrong
     */
    public static function read(
        Fields $file,
        float $assumedToleranceMm,
        ?FittingFamily $family,
        array $stored = [],
    ): self {
        $file->choice('schema', ['catalogue-system.v2']);
        $key = $file->string('system');
        $pipes = Rows::under(
            $file,
            'pipes',
            static fn (Fields $row): Pipe => Pipe::read($row, self::socket($file, $row), $key, $assumedToleranceMm),
            'size',
            $stored['pipes'] ?? [],
        );
        $ownJoint = $file->has('own_joint') ? $file->string('own_joint') : null;
        $gap = static fn (Fields $row): float => self::pipeOf($row, $pipes)->gapMm;
        // A band holds both cut ends off its stop; the gap of other joints comes on either side of the stop of a
        // coupling.
        $couplingGap = static fn (Fields $row): float => $ownJoint === 'no-hub-shielded' ? 0.0 : $gap($row);
        $known = static function (Fields $row) use ($pipes): Fields {
            self::pipeOf($row, $pipes);

            return $row;
        };

        $bends = $family === null ? null : new BendLengths($family, $pipes, $file->list('bends'));
        $branches = $bends === null
            ? null
            : new BranchLengths($family, $pipes, $bends, $file->has('branches') ? $file->list('branches') : []);

        return new self(
            $key,
            $file->choice('region', ['us', 'uk']),
            $file->string('material'),
            $file->string('name'),
            $file->string('short'),
            $file->string('letters'),
            $ownJoint,
            $file->bool('drain', true),
            $file->bool('magnet', false),
            $file->strings('colours'),
            $file->strings('prints'),
            $file->strings('joints_seen'),
            $file->strings('ends'),
            $pipes,
            Rows::under(
                $file,
                'bends',
                static fn (Fields $row): Bend => Bend::read(
                    $row,
                    $key,
                    self::reckoned($row, $bends)->of($row),
                    $gap($row),
                ),
                stored: $stored['bends'] ?? [],
            ),
            Rows::under(
                $file,
                'branches',
                static fn (Fields $row): Branch => Branch::read(
                    $known($row),
                    $key,
                    self::reckoned($row, $branches)->of($row),
                    $gap($row),
                ),
                stored: $stored['branches'] ?? [],
            ),
            Rows::under(
                $file,
                'couplings',
                static fn (Fields $row): StraightFitting => StraightFitting::coupling(
                    $known($row),
                    $key,
                    $couplingGap($row),
                ),
                stored: $stored['couplings'] ?? [],
            ),
            Rows::under(
                $file,
                'bushings',
                static fn (Fields $row): StraightFitting => StraightFitting::bushing($known($row), $key),
                stored: $stored['bushings'] ?? [],
            ),
            Rows::under(
                $file,
                'trap_adapters',
                static fn (Fields $row): StraightFitting => StraightFitting::trapAdapter($known($row), $key),
                stored: $stored['trap_adapters'] ?? [],
            ),
            $assumedToleranceMm,
        );
    }

    /**
     * @return array<string, array<array-key, RowValues>> all rows, as their values, by group: what `read` takes as
     *     stored
     */
    public function rowValues(): array
    {
        return [
            'pipes' => $this->pipes->rowValues(),
            'bends' => $this->bends->rowValues(),
            'branches' => $this->branches->rowValues(),
            'couplings' => $this->couplings->rowValues(),
            'bushings' => $this->bushings->rowValues(),
            'trap_adapters' => $this->trapAdapters->rowValues(),
        ];
    }

    /**
     * Reads every row.
     *
     * @throws BadInput at the group, the number of the row, and the field that is wrong: `bends.12.turn_deg`
     */
    public function check(): void
    {
        foreach (
            [$this->pipes, $this->couplings, $this->bushings, $this->trapAdapters, $this->bends, $this->branches] as $rows
        ) {
            $rows->all();
        }
    }

    /**
     * Whether every length of it has a hub at its upper end, into which the spigot of what comes before goes: a piece
     * is cut from the spigot end, and keeps its hub.
     */
    public function hasHubs(): bool
    {
        return $this->ownJoint === 'hub-gasket';
    }

    /** Whether runs can be laid out in it: the catalogue has bends of it. */
    public function isLaid(): bool
    {
        return count($this->bends) > 0;
    }

    /** @return list<string> its sizes, smallest first; with bends only, those that a run can be laid out in */
    public function sizes(bool $withBends = false): array
    {
        $sizes = $this->sizes ??= $this->pipes->ids();

        return $withBends
            ? array_values(array_filter($sizes, fn (string $size): bool => $this->plainBends($size) !== []))
            : $sizes;
    }

    /** @throws BadInput if the system has no such size */
    public function pipe(string $size): Pipe
    {
        return $this->pipeOfSize[$size] ??=
            $this->pipes[$size] ??
            throw BadInput::at(
                'size',
                "{$this->name} has no size {$size} here; it has ".implode(', ', $this->pipes->ids()),
                $size,
            );
    }

    /**
     * Gives the least and the most outside diameter of pipe of a size with its tolerances, mm, without reading the rest
     * of its row: a
     * coupling is asked for the limits of many pipes. Null where the system has no such size.
     *
     * @return array{float, float}|null
     *
     * @throws BadInput if the row is wrong
     */
    public function limitsMm(string $size): ?array
    {
        if (! array_key_exists($size, $this->outsideOfSize)) {
            $row = $this->pipes->raw($size);
            [$outside, $plus, $minus] = [
                $row['od_mm'] ?? null,
                $row['od_plus_mm'] ?? $this->assumedToleranceMm,
                $row['od_minus_mm'] ?? $this->assumedToleranceMm,
            ];
            $areNumbers = is_numeric($outside) && is_numeric($plus) && is_numeric($minus);
            $this->outsideOfSize[$size] = match (true) {
                $row === null => null,
                $areNumbers => [$outside - $minus, $outside + $plus],
                default => [
                    $this->pipes[$size]->outsideMm - $this->pipes[$size]->minusMm,
                    $this->pipes[$size]->outsideMm + $this->pipes[$size]->plusMm,
                ],
            };
        }

        return $this->outsideOfSize[$size];
    }

    /**
     * Gives a bend by its pattern and size, plain or street; null where the catalogue has none. Every bend of
     * hub-and-spigot pipe goes into another as it is.
     */
    public function bend(string $pattern, string $size, bool $street): ?Bend
    {
        return $this->bends[($street && ! $this->hasHubs() ? 'street-' : '').$pattern.'/'.$size] ?? null;
    }

    /** Gives the closet bend of two sizes, or null. */
    public function closetBend(string $size, string $outletSize): ?Bend
    {
        return $this->bends["closet/{$size}x{$outletSize}"] ?? null;
    }

    /** @return list<Bend> the plain bends of a size, in the order of the file: gentlest first */
    public function plainBends(string $size): array
    {
        if (! isset($this->bendsOfSize[$size])) {
            $plain = static fn (Bend $bend): bool => ! $bend->isStreet && $bend->outletSize === null;
            $this->bendsOfSize[$size] = array_values(array_filter($this->bends->having('size', $size), $plain));
        }

        return $this->bendsOfSize[$size];
    }

    /** @return list<Branch> the branch fittings for a run and a branch of these sizes, in the order of the file */
    public function branchesOf(string $size, string $branchSize): array
    {
        if (! isset($this->branchesOfSizes["{$size}x{$branchSize}"])) {
            $isForBranch = fn (string $id): bool => ($this->branches->raw($id)['branch_size'] ?? null) === $branchSize;
            $ids = array_values(array_filter($this->branches->idsHaving('size', $size), $isForBranch));
            $this->branchesOfSizes["{$size}x{$branchSize}"] = array_map(
                fn (string $id): Branch => $this->branches[$id],
                $ids,
            );
        }

        return $this->branchesOfSizes["{$size}x{$branchSize}"];
    }

    /** Gives the coupling of a size, or null. */
    public function coupling(string $size): ?StraightFitting
    {
        return $this->couplings["coupling/{$size}"] ?? null;
    }

    /** Gives the bushing that stands in a socket of the large size and takes pipe of the small one, or null. */
    public function bushing(string $large, string $small): ?StraightFitting
    {
        return $this->bushings["bushing/{$large}x{$small}"] ?? null;
    }

    /** Whether the first size is larger than the second, by outside diameter. */
    public function isLarger(string $size, string $than): bool
    {
        return $this->pipe($size)->outsideMm > $this->pipe($than)->outsideMm;
    }

    /**
     * Gives the socket of a size of pipe.
     *
     * @throws BadInput if a socket has no size, or none has this
     */
    private static function socket(Fields $file, Fields $pipe): Fields
    {
        $size = $pipe->string('size');
        foreach ($file->children('sockets') as $socket) {
            if ($socket->string('size') === $size) {
                return $socket;
            }
        }

        throw BadInput::at($pipe->at('size'), 'has no socket', $size);
    }

    /**
     * Gives the pipe that a fitting is made for.
     *
     * @param Rows<Pipe> $pipes
     *
     * @throws BadInput if the system has none of that size
     */
    private static function pipeOf(Fields $row, Rows $pipes): Pipe
    {
        $size = $row->string('size');

        return $pipes[$size] ?? throw BadInput::at($row->at('size'), 'is no size of a pipe of this system', $size);
    }

    /**
     * @template T of BendLengths|BranchLengths
     *
     * @param ?T $lengths
     * @return T
     *
     * @throws BadInput where nothing is known of how the fittings of the system are made
     */
    private static function reckoned(Fields $row, BendLengths|BranchLengths|null $lengths): BendLengths|BranchLengths
    {
        return $lengths ??
            throw BadInput::at($row->at('size'), 'cannot be reckoned with: fittings of this system are not known here');
    }
}
