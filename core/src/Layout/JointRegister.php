<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\SingleJoint;
use FallBend\Core\Joining\Method;
use FallBend\Core\Joining\MethodTexts;
use FallBend\Core\Joining\Offer;

/**
 * What the register says of each joint: its name, its method, and whether that is settled. States: `own`
 * (the system's own joint), `chosen`, `best` (the
 * best that is offered, not chosen yet), `refused` (chosen, but it does not join them), `unknown`
 * (it is not known what stands there), `none` (nothing joins them).
 *
 * @phpstan-type State 'own'|'chosen'|'best'|'refused'|'unknown'|'none'
 * @phpstan-type Registered array{name: string, method: ?string, method_name: string, state: State}
 * @phpstan-type SingleReport array{id: string, name: string, method: ?string, method_name: string, state: State}
 */
final class JointRegister
{
    /**
     * @return array<string, Registered> by key of the joint
     */
    public static function entries(RunLayout $layout): array
    {
        $names = new JointNames($layout);
        $entries = [];
        foreach ($layout->joints as $joint) {
            $entries[$joint->key] = ['name' => $names->nameOf($joint)] + self::method($joint, $layout);
        }

        return $entries;
    }

    /** @return SingleReport */
    public static function single(SingleJoint $single, Job $job, EndJoiner $joiner, Rulebook $rulebook): array
    {
        $entry = ['id' => $single->id, 'name' => $single->name];
        if ($joiner->single($single->a, $job) === null || $joiner->single($single->b, $job) === null) {
            return $entry + ['method' => null, 'method_name' => '', 'state' => 'unknown'];
        }
        $offer = self::offerOf($single, $job, $joiner, $rulebook);

        return $entry +
            self::entry(
                $offer->method ?? ($single->method === null ? null : Method::from($single->method)),
                $offer === null
                    ? ($single->method === null
                        ? 'none'
                        : 'refused')
                    : ($single->method === null
                        ? 'best'
                        : 'chosen'),
            );
    }

    /**
     * Gives the way in which a single joint is made: the chosen one, or the best; null where an end is not known, or
     * nothing joins them so.
     */
    public static function offerOf(SingleJoint $single, Job $job, EndJoiner $joiner, Rulebook $rulebook): ?Offer
    {
        [$a, $b] = [$joiner->single($single->a, $job), $joiner->single($single->b, $job)];
        $decision = $a === null || $b === null ? null : $joiner->between($a, $b, $single->place, $rulebook);

        return $single->method === null
            ? $decision->offers[0] ?? null
            : $decision?->offer(Method::from($single->method));
    }

    /** @return array{method: ?string, method_name: string, state: State} */
    private static function method(Joint $joint, RunLayout $layout): array
    {
        $end = match ($joint->key) {
            'outlet' => $layout->site->outlet,
            'tie-in' => $layout->site->tieIn,
            default => null,
        };
        if ($end !== null) {
            return self::ofEnd($end);
        }

        return self::entry($layout->system->ownJoint === null ? null : Method::from($layout->system->ownJoint), 'own');
    }

    /** @return array{method: ?string, method_name: string, state: State} */
    private static function ofEnd(EndJoint $end): array
    {
        $chosen = $end->end->method === null ? null : Method::from($end->end->method);

        return match (true) {
            $end->theirs === null => self::entry($chosen, 'unknown'),
            $end->offer !== null => self::entry($end->offer->method, $chosen === null ? 'best' : 'chosen'),
            default => self::entry($chosen, $chosen === null ? 'none' : 'refused'),
        };
    }

    /**
     * @param State $state
     * @return array{method: ?string, method_name: string, state: State}
     */
    private static function entry(?Method $method, string $state): array
    {
        return [
            'method' => $method?->value,
            'method_name' => $method === null ? '' : MethodTexts::text($method)['name'],
            'state' => $state,
        ];
    }
}
