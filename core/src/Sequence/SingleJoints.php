<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\SingleJoint;
use FallBend\Core\Joining\Method;
use FallBend\Core\Joining\MethodTexts;
use FallBend\Core\Layout\EndJoiner;
use FallBend\Core\Layout\JointRegister;
use FallBend\Core\Site\SiteLog;

/**
 * Joints outside the runs as they are made on site. In the log each is joint 1 of a run of its own, `single.ID`.
 *
 * @phpstan-import-type MadeJoint from RunTimes
 * @phpstan-import-type WrongJoint from Troubles
 *
 * @phpstan-type WrittenSingle array{
 *     id: string,
 *     run: string,
 *     name: string,
 *     method: ?string,
 *     method_name: string,
 *     family: string,
 *     made: MadeJoint|null,
 *     wrong: WrongJoint|null,
 * }
 */
final readonly class SingleJoints
{
    /** Their number in the log. */
    public const NUMBER = 1;

    private EndJoiner $joiner;

    private SiteTimetable $table;

    public function __construct(private Job $job, Catalogue $catalogue, private Rulebook $book)
    {
        $this->joiner = new EndJoiner($catalogue);
        $this->table = new SiteTimetable($catalogue, $book, $job->conditions);
    }

    /** Gives the name by which the log knows a joint. */
    public static function run(SingleJoint $single): string
    {
        return "single.{$single->id}";
    }

    /** Gives how a joint is made: as it was chosen, or the best way; null where it is not settled. */
    public function method(SingleJoint $single): ?Method
    {
        return JointRegister::offerOf($single, $this->job, $this->joiner, $this->book)?->method;
    }

    /** Gives its times if it is made by a method; null where it has none yet. */
    public function times(SingleJoint $single, ?Method $method): ?SiteTimes
    {
        $a = $this->joiner->single($single->a, $this->job);
        $b = $this->joiner->single($single->b, $this->job);

        if ($method === null || $a === null || $b === null) {
            return null;
        }
        // The size is that of the end of plastic, which may be cemented.
        [$one, $other] = SiteTimetable::isMetal($a->system) ? [$b, $a] : [$a, $b];

        return $this->table->times($method, $one->system, $one->pipe->size, $other->system);
    }

    /** @return list<WrittenSingle> in the order of the job */
    public function written(SiteLog $log): array
    {
        $written = [];
        foreach ($this->job->singles as $single) {
            $method = $this->method($single);
            $text = $method === null ? null : MethodTexts::text($method);
            $standing = $log->joint(self::run($single), self::NUMBER);
            $written[] = [
                'id' => $single->id,
                'run' => self::run($single),
                'name' => $single->name,
                'method' => $method?->value,
                'method_name' => $text['name'] ?? '',
                'family' => $text['family'] ?? '',
                'made' => $standing->made === null || ! $standing->isGood()
                    ? null
                    : RunTimes::made(
                        (string) self::NUMBER,
                        $standing->made->at,
                        $this->times($single, $method),
                        $log->now,
                    ),
                'wrong' => Troubles::written((string) self::NUMBER, $method, $standing),
            ];
        }

        return $written;
    }
}
