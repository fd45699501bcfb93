<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\MakeUp\AssemblyOrder;
use FallBend\Core\MakeUp\Freeing;
use FallBend\Core\MakeUp\Move;
use FallBend\Core\MakeUp\PlannedJoint;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** Whether pieces can be put together where some of them stand fast, and in what order; or what frees them. */
final readonly class WillItGoReckoner implements Reckoner
{
    /** Steps of each of the two searches. */
    private const MOST = 3_000_000;

    public function name(): string
    {
        return 'will-it-go';
    }

    public function summary(): string
    {
        return 'an order in which every joint can be pushed home, or the smallest change that frees the one that cannot';
    }

    public function reckon(Fields $input, Effort $effort): array
    {
        $pieces = $this->pieces($input, 'pieces');
        $joints = $this->joints($input, $pieces);
        $fixed = $this->pieces($input, 'fixed', $pieces);
        $input->end();
        $order = new AssemblyOrder($pieces, $joints, $fixed, $effort->part(self::MOST));
        $moves = $order->find();
        $left = $moves === null ? $order->left() : [];
        $freeing = $effort->part(self::MOST);
        $frees = $moves === null && $order->isWhole() ? Freeing::changesFor($pieces, $joints, $fixed, $freeing) : [];
        $finding = match (true) {
            $moves !== null => null,
            ! $order->isWhole() => self::unknown($left),
            default => self::stuck($left, $frees, $freeing->isSpent()),
        };

        return [
            'goes' => $moves !== null,
            'order' => array_map(self::step(...), $moves ?? []),
            'left' => $left,
            'frees' => array_map(self::change(...), $frees),
            'findings' => FindingReport::list($finding === null ? [] : [$finding], Units::Millimetre),
            'sources' => [],
        ];
    }

    /** @return array<string, mixed> */
    private static function step(Move $move): array
    {
        return [
            'pieces' => $move->pieces,
            'joints' => $move->joints,
            'along' => $move->along === null ? null : [$move->along->x, $move->along->y, $move->along->z],
            'push_mm' => $move->mm,
            'on_bench' => $move->isOnBench,
        ];
    }

    /**
     * @param array<string, string> $change kind by joint
     * @return list<array{joint: string, kind: string}>
     */
    private static function change(array $change): array
    {
        $one = static fn (string $joint, string $kind): array => ['joint' => $joint, 'kind' => $kind];

        return array_map($one, array_map(strval(...), array_keys($change)), array_values($change));
    }

    /** @param list<string> $left */
    private static function unknown(array $left): Finding
    {
        return new Finding(
            RuleId::AssemblyNotKnown,
            Severity::Unknown,
            new Where,
            params: ['joints' => implode(', ', $left), 'count' => count($left)],
        );
    }

    /**
     * @param list<string> $left joints that cannot be made
     * @param list<array<string, string>> $frees
     * @param bool $isCut whether not all changes were looked at
     */
    private static function stuck(array $left, array $frees, bool $isCut): Finding
    {
        $first = $frees[0] ?? [];

        return new Finding(
            RuleId::AssemblyStuck,
            Severity::Stop,
            new Where,
            params: [
                'joints' => implode(', ', $left),
                'count' => count($left),
                'frees' => implode(' and ', array_map(strval(...), array_keys($first))),
                'kind' => array_values($first)[0] ?? ($isCut ? 'not-known' : ''),
            ],
        );
    }

    /**
     * @param ?list<string> $known those that there are
     * @return list<string>
     *
     * @throws BadInput
     */
    private function pieces(Fields $input, string $key, ?array $known = null): array
    {
        $pieces = $input->strings($key);
        foreach ($pieces as $i => $piece) {
            if (in_array($piece, array_slice($pieces, 0, $i), true)) {
                throw BadInput::at("{$key}.{$i}", 'stands twice', $piece);
            }
            if ($known !== null && ! in_array($piece, $known, true)) {
                throw BadInput::at("{$key}.{$i}", 'is none of the pieces', $piece);
            }
        }
        if ($known === null && count($pieces) > 100) {
            throw BadInput::at($key, 'are more than 100', count($pieces));
        }

        return $pieces;
    }

    /**
     * @param list<string> $pieces
     * @return list<PlannedJoint>
     *
     * @throws BadInput
     */
    private function joints(Fields $input, array $pieces): array
    {
        $joints = [];
        foreach ($input->children('joints', 200) as $fields) {
            $id = $fields->string('id', 60);
            [$a, $b] = [$fields->choice('a', $pieces), $fields->choice('b', $pieces)];
            if ($a === $b) {
                throw BadInput::at($fields->at('b'), 'must be another piece than a', $b);
            }
            if (isset($joints[$id])) {
                throw BadInput::at($fields->at('id'), 'stands twice', $id);
            }
            $joints[$id] = new PlannedJoint(
                $id,
                $a,
                $b,
                Points::direction($fields, 'axis'),
                $fields->number('depth_mm', 0, 10_000),
                $fields->choice('kind', PlannedJoint::KINDS),
                $fields->numberOrNull('slide_room_mm', 0, 100_000) ?? 0.0,
            );
            $fields->end();
        }

        return array_values($joints);
    }
}
