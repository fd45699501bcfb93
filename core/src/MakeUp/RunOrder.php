<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\End;
use FallBend\Core\Layout\EndJoint;
use FallBend\Core\Layout\Joint;
use FallBend\Core\Layout\RunLayout;

/** In what order a run goes together where its ends stand: what is made on the bench, what is pushed on in place, and which joint can be made last. */
final readonly class RunOrder
{
    /** Ends that stand before the run is made; what else a run begins or ends with is put on with it. */
    private const STANDING = ['standing', 'socket', 'plain', 'branch', 'run', 'gully'];

    /** How joints of a system's own kind are made, where they are not pushed home: a rubber sleeve rolls, a nut draws its two faces together. */
    private const OWN = ['no-hub-shielded' => 'roll', 'grooved-mechanical' => 'union', 'slip-joint' => 'slide'];

    private const OUTLET = 'outlet';

    private const TIE_IN = 'tie-in';

    /**
     * @param list<string> $pieces keys, and the two ends
     * @param list<PlannedJoint> $joints
     * @param list<string> $fixed
     * @param array<string, string> $names letter of a piece or name of a fitting, by key
     * @param array<string, int> $numbers of the joints, by key
     */
    private function __construct(private array $pieces, private array $joints, private array $fixed, private array $names, private array $numbers) {}

    /** Takes a laid-out run; gives its assembly, or null where it is not a chain of pieces and fittings from end to end. */
    public static function of(RunLayout $layout): ?self
    {
        [$first, $last, $pieces] = [self::OUTLET, self::TIE_IN, [self::OUTLET, ...$layout->sequence, self::TIE_IN]];
        if (count($layout->joints) === count($layout->sequence) && $layout->sequence !== []) {
            // A trap adapter or a bushing at one end has no joint of its own: it is that end.
            $isFirst = ! in_array($layout->sequence[0], array_column($layout->pieces, 'key'), true);
            [$first, $last] = $isFirst ? [$layout->sequence[0], self::TIE_IN] : [self::OUTLET, $layout->sequence[count($layout->sequence) - 1]];
            $pieces = $isFirst ? [...$layout->sequence, self::TIE_IN] : [self::OUTLET, ...$layout->sequence];
        }
        if (count($layout->joints) !== count($pieces) - 1) {
            return null;
        }
        $names = [self::OUTLET => $layout->run->outlet->thing(), self::TIE_IN => $layout->run->tieIn->thing()];
        foreach ($layout->pieces as $piece) {
            $names[$piece->key] = $piece->letter;
        }
        foreach ($layout->fittings as $fitting) {
            $names[$fitting->key] = $fitting->part->name;
        }
        [$joints, $numbers] = [[], []];
        foreach ($layout->joints as $i => $joint) {
            $numbers[$joint->key] = $joint->number;
            $joints[] = new PlannedJoint($joint->key, $pieces[$i], $pieces[$i + 1], self::along($layout, $joint)->times(-1.0), $joint->depthMm, self::kind($layout, $joint), self::bareBeside($layout, $joint));
        }
        $fixed = [...(self::stands($layout->run->outlet) ? [$first] : []), ...(self::stands($layout->run->tieIn) ? [$last] : [])];

        return new self($pieces, $joints, $fixed, $names, $numbers);
    }

    /** @return array{goes: bool, fixed: list<string>, steps: list<array{parts: list<string>, joints: list<int>, push_mm: float, on_bench: bool, moves: bool}>, left: list<int>, frees: list<list<array{joint: int, kind: string}>>} */
    public function toArray(): array
    {
        $order = new AssemblyOrder($this->pieces, $this->joints, $this->fixed);
        $moves = $order->find();
        $number = fn (string $key): int => $this->numbers[$key];
        $frees = $moves === null ? Freeing::of($this->pieces, $this->joints, $this->fixed) : [];

        return [
            'goes' => $moves !== null,
            'fixed' => array_map(fn (string $piece): string => $this->names[$piece] ?? $piece, $this->fixed),
            'steps' => array_map(fn (Move $move): array => ['parts' => array_map(fn (string $piece): string => $this->names[$piece] ?? $piece, $move->pieces), 'joints' => array_map($number, $move->joints), 'push_mm' => $move->mm, 'on_bench' => $move->isOnBench, 'moves' => $move->along !== null], $moves ?? []),
            'left' => $moves === null ? array_map($number, $order->left()) : [],
            'frees' => array_map(static fn (array $change): array => array_map(static fn (string $joint, string $kind): array => ['joint' => $number($joint), 'kind' => $kind], array_map(strval(...), array_keys($change)), array_values($change)), $frees),
        ];
    }

    /** Whether what a run begins or ends with stands before the run is made. */
    public static function stands(End $end): bool
    {
        return in_array($end->kind, self::STANDING, true);
    }

    /** The direction of flow at a joint: along the pipe that goes into it. */
    public static function along(RunLayout $layout, Joint $joint): Vec3
    {
        foreach ($layout->pieces as $piece) {
            if ($piece->jointFrom === $joint->key || $piece->jointTo === $joint->key) {
                return $piece->direction;
            }
        }

        return $layout->legs[$joint->leg - 1]->line->direction;
    }

    /** Gives how a joint is closed: `push` home, `roll` a rubber sleeve over it, `slide` a sleeve or nut along, or draw the two faces of a `union` together. */
    public static function kind(RunLayout $layout, Joint $joint): string
    {
        $end = str_starts_with($joint->key, self::OUTLET) ? $layout->site->outlet : (str_starts_with($joint->key, self::TIE_IN) ? $layout->site->tieIn : null);
        if ($end instanceof EndJoint) {
            return match (true) {
                $end->offer?->rolls() === true => 'roll',
                $end->offer?->isSleeve === true => 'slide',
                default => self::OWN[$end->offer?->method->value ?? ''] ?? 'push',
            };
        }

        return self::OWN[$layout->system->ownJoint ?? ''] ?? 'push';
    }

    /** Bare pipe beside a joint: a coupling with no stop can be slid onto it. */
    private static function bareBeside(RunLayout $layout, Joint $joint): float
    {
        $bare = 0.0;
        foreach ($layout->pieces as $piece) {
            if ($piece->jointFrom === $joint->key || $piece->jointTo === $joint->key) {
                $bare = max($bare, $piece->cutMm - $piece->depthFromMm - $piece->depthToMm);
            }
        }

        return $bare;
    }
}
