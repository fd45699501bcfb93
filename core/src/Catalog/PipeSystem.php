<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** Everything that the catalogue knows of one pipe system: how it is recognised, pipes with sockets, bends, couplings, bushings, trap adapters. */
final readonly class PipeSystem
{
    /** @var array<string, list<Bend>> plain bends by size */
    private array $plainBySize;

    /** @var array<string, list<Branch>> by size of the run and of the branch */
    private array $branchesBySizes;

    /**
     * @param string $region `us` or `uk`
     * @param string $short what it is called on site
     * @param ?string $ownJoint key of the method that joins it to its own fittings; null of a pipe that is recognised only to be refused
     * @param bool $isDrain false of a pipe that must not carry waste
     * @param bool $isMagnetic whether a magnet holds on it
     * @param list<string> $colours
     * @param list<string> $prints words that are printed on it, small letters
     * @param list<string> $jointsSeen kinds of joints that it is found in
     * @param list<string> $ends kinds of ends that it occurs with
     * @param array<string, Pipe> $pipes by size, smallest first
     * @param array<string, Bend> $bends by id
     * @param array<string, Branch> $branches by id
     * @param array<string, Straight> $straights by id
     */
    private function __construct(
        public string $key,
        public string $region,
        public string $material,
        public string $name,
        public string $short,
        public string $letters,
        public ?string $ownJoint,
        public bool $isDrain,
        public bool $isMagnetic,
        public array $colours,
        public array $prints,
        public array $jointsSeen,
        public array $ends,
        public array $pipes,
        public array $bends,
        public array $branches,
        public array $straights,
    ) {
        $bySize = [];
        foreach ($bends as $bend) {
            if (! $bend->isStreet) {
                $bySize[$bend->size][] = $bend;
            }
        }
        $this->plainBySize = $bySize;
        $bySizes = [];
        foreach ($branches as $branch) {
            $bySizes["{$branch->size}x{$branch->branchSize}"][] = $branch;
        }
        $this->branchesBySizes = $bySizes;
    }

    /**
     * @param float $assumedToleranceMm of outside diameters where a row states none
     *
     * @throws BadInput if a row is wrong, an id stands twice, or a size has no pipe or socket
     */
    public static function read(Fields $file, float $assumedToleranceMm): self
    {
        $file->choice('schema', ['catalogue-system.v2']);
        $key = $file->string('system');
        $sockets = [];
        foreach ($file->children('sockets') as $row) {
            $sockets[$row->string('size')] = $row;
        }
        $pipes = [];
        foreach ($file->children('pipes') as $row) {
            $size = $row->string('size');
            $socket = $sockets[$size] ?? throw BadInput::at($row->at('size'), 'has no socket', $size);
            $pipes[$size] = Pipe::read($row, $socket, $key, $assumedToleranceMm);
        }
        // A band holds both cut ends off its stop; the gap of other joints comes on either side of the stop of a coupling.
        $ownJoint = $file->has('own_joint') ? $file->string('own_joint') : null;
        $gap = static fn (Fields $row): float => $pipes[$row->string('size')]->gapMm;
        $straights = [
            ...self::rows($file, 'couplings', static fn (Fields $row): Straight => Straight::coupling($row, $key, $ownJoint === 'no-hub-shielded' ? 0.0 : $gap($row)), $pipes),
            ...self::rows($file, 'bushings', static fn (Fields $row): Straight => Straight::bushing($row, $key), $pipes),
            ...self::rows($file, 'trap_adapters', static fn (Fields $row): Straight => Straight::trapAdapter($row, $key), $pipes),
        ];

        return new self($key, $file->choice('region', ['us', 'uk']), $file->string('material'), $file->string('name'), $file->string('short'), $file->string('letters'),
            $ownJoint, $file->bool('drain', true), $file->bool('magnet', false), $file->strings('colours'), $file->strings('prints'), $file->strings('joints_seen'),
            $file->strings('ends'), $pipes, self::rows($file, 'bends', static fn (Fields $row): Bend => Bend::read($row, $key, $gap($row)), $pipes),
            self::rows($file, 'branches', static fn (Fields $row): Branch => self::branch($row, $key, $pipes), $pipes), $straights);
    }

    /** Whether runs can be laid out in it: the catalogue has bends of it. */
    public function isLaid(): bool
    {
        return $this->bends !== [];
    }

    /** @return list<string> its sizes, smallest first; with bends only, those that a run can be laid out in */
    public function sizes(bool $withBends = false): array
    {
        $sizes = array_map(strval(...), array_keys($this->pipes));

        return $withBends ? array_values(array_filter($sizes, fn (string $size): bool => isset($this->plainBySize[$size]))) : $sizes;
    }

    /** @throws BadInput if the system has no such size */
    public function pipe(string $size): Pipe
    {
        return $this->pipes[$size] ?? throw BadInput::at('size', "{$this->name} has no size {$size} here; it has ".implode(', ', array_map(strval(...), array_keys($this->pipes))), $size);
    }

    /** Gives a bend by its pattern and size, plain or street; null where the catalogue has none. */
    public function bend(string $pattern, string $size, bool $street): ?Bend
    {
        return $this->bends[($street ? 'street-' : '').$pattern.'/'.$size] ?? null;
    }

    /** @return list<Bend> the plain bends of a size, in the order of the file: gentlest first */
    public function plainBends(string $size): array
    {
        return $this->plainBySize[$size] ?? [];
    }

    /** @return list<Branch> the branch fittings for a run and a branch of these sizes, in the order of the file */
    public function branchesOf(string $size, string $branchSize): array
    {
        return $this->branchesBySizes["{$size}x{$branchSize}"] ?? [];
    }

    /** Gives the coupling of a size, or null. */
    public function coupling(string $size): ?Straight
    {
        return $this->straights["coupling/{$size}"] ?? null;
    }

    /** Gives the bushing that stands in a socket of the large size and takes pipe of the small one, or null. */
    public function bushing(string $large, string $small): ?Straight
    {
        return $this->straights["bushing/{$large}x{$small}"] ?? null;
    }

    /** Whether the first size is larger than the second, by outside diameter. */
    public function isLarger(string $size, string $than): bool
    {
        return $this->pipe($size)->outsideMm > $this->pipe($than)->outsideMm;
    }

    /**
     * @param array<string, Pipe> $pipes
     *
     * @throws BadInput
     */
    private static function branch(Fields $row, string $key, array $pipes): Branch
    {
        $bore = $pipes[$row->string('size')]->boreMm;

        return Branch::read($row, $key, $bore, ($pipes[$row->string('branch_size')] ?? null)->boreMm ?? $bore / 3, $pipes[$row->string('size')]->gapMm);
    }

    /**
     * @template T
     *
     * @param callable(Fields): T $read
     * @param array<string, Pipe> $pipes
     * @return array<string, T>
     *
     * @throws BadInput
     */
    private static function rows(Fields $file, string $key, callable $read, array $pipes): array
    {
        $rows = [];
        foreach ($file->children($key) as $row) {
            $id = $row->string('id');
            if (isset($rows[$id])) {
                throw BadInput::at($row->at('id'), 'stands twice', $id);
            }
            if (! isset($pipes[$row->string('size')])) {
                throw BadInput::at($row->at('size'), 'is no size of a pipe of this system', $row->string('size'));
            }
            $rows[$id] = $read($row);
        }

        return $rows;
    }
}
