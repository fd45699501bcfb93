<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

use DateTimeInterface;
use FallBend\Core\Joining\Mending;
use FallBend\Core\Joining\Method;
use FallBend\Core\Joining\MethodTexts;
use FallBend\Core\Joining\TroubleKind;
use FallBend\Core\Site\JointStanding;

/**
 * What is wrong with a joint, and what to do about it.
 *
 * @phpstan-type WrongJoint array{
 *     joint: string,
 *     entry: int,
 *     what: value-of<TroubleKind>,
 *     at: string,
 *     by: string,
 *     note: string,
 *     now: ?string,
 *     then: string,
 *     act: value-of<Mending>,
 * }
 */
final class Troubles
{
    /** What is said where a method has no words for what is wrong. */
    private const ASK = 'Nothing is written here for this: ask somebody who has done it, before it is covered.';

    /** @return WrongJoint|null null: nothing is wrong with it, as far as anybody said */
    public static function written(string $joint, ?Method $method, JointStanding $standing): ?array
    {
        $what = $standing->trouble();
        if ($what === null || $standing->trouble === null) {
            return null;
        }
        $text = self::text($method, $what);

        return [
            'joint' => $joint,
            'entry' => $standing->trouble->number,
            'what' => $what->value,
            'at' => $standing->trouble->at->format(DateTimeInterface::ATOM),
            'by' => $standing->trouble->by,
            'note' => $standing->trouble->content['note'] ?? '',
            'now' => $text['now'] ?? null,
            'then' => $text['then'] ?? self::ASK,
            'act' => $text['act'] ?? Mending::Again->value,
        ];
    }

    /** @return array{what: string, now?: string, then: string, act: value-of<Mending>}|null */
    private static function text(?Method $method, TroubleKind $what): ?array
    {
        foreach ($method === null ? [] : MethodTexts::text($method)['troubles'] as $trouble) {
            if ($trouble['what'] === $what->value) {
                return $trouble;
            }
        }

        return null;
    }
}
