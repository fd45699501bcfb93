<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Effort\Effort;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\End;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Layout\EndJoint;
use FallBend\Core\Layout\Joint;
use FallBend\Core\Layout\RunLayout;

/**
 * In what order a run goes together where its ends stand: what is made on the bench, what is pushed on in place, and
 * which joint can be made last.
 *
 * @phpstan-type WrittenOrder array{
 *     goes: bool,
 *     known: bool,
 *     fixed: list<string>,
 *     left: list<string>,
 *     steps: list<OrderStep>,
 *     frees: list<list<array{joint: string, kind: 'slide'|'roll'|'union'}>>,
 * }
 * @phpstan-type OrderStep array{
 *     parts: list<string>,
 *     joints: list<string>,
 *     push_mm: float,
 *     on_bench: bool,
 *     moves: bool,
 * }
 */
final readonly class RunOrder
{
    /** Ends that stand before the run is made; what else a run begins or ends with is put on with it. */
    private const STANDING = [
        RunEndKind::Standing,
        RunEndKind::Socket,
        RunEndKind::Plain,
        RunEndKind::Branch,
        RunEndKind::Run,
        RunEndKind::Gully,
    ];

    /**
     * How joints of a system's own kind are made, where they are not pushed home: a rubber sleeve rolls, a nut draws
     * its two faces together.
     */
    private const OWN = ['no-hub-shielded' => 'roll', 'grooved-mechanical' => 'union', 'slip-joint' => 'slide'];

    /** Steps of each of the two searches. */
    private const MOST = 3_000_000;

    private const OUTLET = 'outlet';

    private const TIE_IN = 'tie-in';

    /**
     * @param list<string> $pieces keys, and the two ends
     * @param list<PlannedJoint> $joints
     * @param list<string> $fixed
     * @param array<string, string> $names letter of a piece or name of a fitting, by key
     * @param array<string, string> $marks of the joints, by key
     */
    private function __construct(
        private array $pieces,
        private array $joints,
        private array $fixed,
        private array $names,
        private array $marks,
    ) {}

    /**
     * Takes a laid-out run; gives its assembly, or null where it is not a chain of pieces and fittings from end to end.
     */
    public static function of(RunLayout $layout): ?self
    {
        [$first, $last, $pieces] = [self::OUTLET, self::TIE_IN, [self::OUTLET, ...$layout->sequence, self::TIE_IN]];
        if (count($layout->joints) === count($layout->sequence) && $layout->sequence !== []) {
            // A trap adapter or a bushing at one end has no joint of its own: it is that end.
            $isFirst = ! in_array($layout->sequence[0], array_column($layout->pieces, 'key'), true);
            [$first, $last] = $isFirst
                ? [$layout->sequence[0], self::TIE_IN]
                : [self::OUTLET, $layout->sequence[count($layout->sequence) - 1]];
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
        [$joints, $marks] = [[], []];
        foreach ($layout->joints as $i => $joint) {
            $marks[$joint->key] = $joint->mark;
            $joints[] = new PlannedJoint(
                $joint->key,
                $pieces[$i],
                $pieces[$i + 1],
                self::along($layout, $joint)->times(-1.0),
                $joint->depthMm,
                self::kind($layout, $joint),
                self::bareBeside($layout, $joint),
            );
        }
        $fixed = [
            ...self::stands($layout->run->outlet) ? [$first] : [],
            ...self::stands($layout->run->tieIn) ? [$last] : [],
        ];

        return new self($pieces, $joints, $fixed, $names, $marks);
    }

    /**
     * `known` is false where it was not found out in the time there is: then `goes` says nothing.
     *
     * @param ?Effort $effort ends the search when time or memory is over
     * @return WrittenOrder
     */
    public function toArray(?Effort $effort = null): array
    {
        $effort ??= Effort::unlimited();
        $order = new AssemblyOrder($this->pieces, $this->joints, $this->fixed, $effort->part(self::MOST));
        $moves = $order->find();
        $isStuck = $moves === null && $order->isWhole();
        $frees = $isStuck
            ? Freeing::changesFor($this->pieces, $this->joints, $this->fixed, $effort->part(self::MOST))
            : [];

        return [
            'goes' => $moves !== null,
            'known' => $order->isWhole(),
            'fixed' => array_map($this->name(...), $this->fixed),
            'steps' => array_map($this->step(...), $moves ?? []),
            'left' => $moves === null ? array_map($this->mark(...), $order->left()) : [],
            'frees' => array_map($this->change(...), $frees),
        ];
    }

    /**
     * Gives what goes onto what, in order; null where it does not go together, or that was not found out in the time
     * there is.
     *
     * @return list<Move>|null
     */
    public function moves(Effort $effort): ?array
    {
        return (new AssemblyOrder($this->pieces, $this->joints, $this->fixed, $effort->part(self::MOST)))->find();
    }

    /** @return list<PlannedJoint> as they lie in the run */
    public function joints(): array
    {
        return $this->joints;
    }

    /** @return OrderStep */
    private function step(Move $move): array
    {
        return [
            'parts' => array_map($this->name(...), $move->pieces),
            'joints' => array_map($this->mark(...), $move->joints),
            'push_mm' => $move->mm,
            'on_bench' => $move->isOnBench,
            'moves' => $move->along !== null,
        ];
    }

    /**
     * @param array<string, 'slide'|'roll'|'union'> $change kind by joint
     * @return list<array{joint: string, kind: 'slide'|'roll'|'union'}>
     */
    private function change(array $change): array
    {
        $changes = [];
        foreach ($change as $joint => $kind) {
            $changes[] = ['joint' => $this->mark($joint), 'kind' => $kind];
        }

        return $changes;
    }

    private function name(string $piece): string
    {
        return $this->names[$piece] ?? $piece;
    }

    private function mark(string $joint): string
    {
        return $this->marks[$joint];
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

    /**
     * Gives how a joint is closed: `push` home, `roll` a rubber sleeve over it, `slide` a sleeve or nut along, or draw
     * the two faces of a `union` together.
     *
     * @return value-of<PlannedJoint::KINDS>
     */
    public static function kind(RunLayout $layout, Joint $joint): string
    {
        $end = str_starts_with($joint->key, self::OUTLET)
            ? $layout->site->outlet
            : (str_starts_with($joint->key, self::TIE_IN)
                ? $layout->site->tieIn
                : null);
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
