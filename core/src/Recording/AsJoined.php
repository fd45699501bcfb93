<?php

declare(strict_types=1);

namespace FallBend\Core\Recording;

use FallBend\Core\Joining\Method;
use FallBend\Core\Joining\MethodTexts;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Sequence\RunTimes;
use FallBend\Core\Site\SiteLog;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * Holds a run as it is planned now against its joints as they were made: what is joined does not change with a plan.
 */
final readonly class AsJoined
{
    public function __construct(private RunLayout $layout, private RunTimes $times) {}

    /** @return list<Finding> where the plan says something else than what is joined */
    public function findings(SiteLog $log): array
    {
        $joints = array_column($this->layout->joints, null, 'number');
        $cut = array_column($this->layout->pieces, 'cutMm', 'key');
        $letters = array_column($this->layout->pieces, 'letter', 'key');
        $findings = [];
        foreach ($log->joints($this->layout->run->id) as $number => $standing) {
            $made = $standing->made?->content;
            if ($made === null) {
                continue;
            }
            $where = new Where(joint: $number, run: $this->layout->run->id);
            $joint = $joints[$number] ?? null;
            if ($joint === null) {
                $params = ['joint' => $this->mark($where)];
                $findings[] = new Finding(RuleId::GluedGone, Severity::Stop, $where, params: $params);

                continue;
            }
            $findings = [
                ...$findings,
                ...$this->method($made['method'] ?? null, $this->times->method($joint), $where),
                ...$this->pieces($made['pieces'] ?? [], $cut, $letters, $where),
            ];
        }

        return $findings;
    }

    /** What is written at a joint, which may be gone from the plan. */
    private function mark(Where $where): string
    {
        return $this->layout->run->marks->ofNumber($where->joint ?? 0);
    }

    /** @return list<Finding> */
    private function method(?string $made, ?Method $now, Where $where): array
    {
        $was = $made === null ? null : Method::tryFrom($made);

        // A plan that does not know how says nothing else.
        return $was === null || $now === null || $was === $now
            ? []
            : [
                new Finding(
                    RuleId::GluedMethod,
                    Severity::Stop,
                    $where,
                    params: [
                        'joint' => $this->mark($where),
                        'was' => MethodTexts::text($was)['name'],
                        'now' => MethodTexts::text($now)['name'],
                    ],
                ),
            ];
    }

    /**
     * @param array<string, float> $made lengths of pieces when the joint was made, by key
     * @param array<string, float> $now as they are planned now
     * @param array<string, string> $letters of pieces
     * @return list<Finding>
     */
    private function pieces(array $made, array $now, array $letters, Where $where): array
    {
        $findings = [];
        foreach ($made as $piece => $was) {
            $planned = $now[$piece] ?? null;
            // Nobody cuts nearer than a mark of the tape.
            if ($planned !== null && abs($planned - $was) > 2 * Tolerance::TAPE_MM) {
                $findings[] = new Finding(
                    RuleId::GluedChanged,
                    Severity::Stop,
                    new Where(piece: $letters[$piece] ?? null, joint: $where->joint, run: $where->run),
                    $planned,
                    $was,
                    [
                        'joint' => $this->mark($where),
                        'piece' => $letters[$piece] ?? '',
                        'was_mm' => $was,
                        'now_mm' => $planned,
                    ],
                );
            }
        }

        return $findings;
    }
}
