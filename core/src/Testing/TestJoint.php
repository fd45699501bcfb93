<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

use DateTimeImmutable;
use DateTimeInterface;
use FallBend\Core\Joining\Method;
use FallBend\Core\Joining\MethodTexts;
use FallBend\Core\Sequence\RunTimes;
use FallBend\Core\Site\JointStanding;

/**
 * A joint of a system under test, as it stands.
 *
 * @phpstan-type WrittenTestJoint array{
 *     run: string,
 *     joint: int,
 *     mark: string,
 *     name: string,
 *     method_name: string,
 *     check: string,
 *     state: 'open'|'wrong'|'not-known'|'cures'|'ready',
 *     may_fill: ?string,
 *     dry: ?bool,
 *     by: ?string,
 * }
 */
final readonly class TestJoint
{
    /** From when it may carry water; null: it is not made, or not known. */
    public ?DateTimeImmutable $mayFill;

    /**
     * @param ?Method $method null: it is not settled
     * @param JointStanding $standing by the log
     * @param ?float $fillMin minutes from its making until it may carry water; null: not known
     */
    public function __construct(
        public string $run,
        public int $number,
        public string $mark,
        public string $name,
        public ?Method $method,
        public JointStanding $standing,
        ?float $fillMin,
    ) {
        $this->mayFill = $standing->made === null || $fillMin === null
            ? null
            : RunTimes::after($standing->made->at, $fillMin);
    }

    /** @return 'open'|'wrong'|'not-known'|'cures'|'ready' how it stands by then */
    public function state(DateTimeImmutable $now): string
    {
        return match (true) {
            $this->standing->trouble !== null => 'wrong',
            $this->standing->made === null => 'open',
            $this->mayFill === null => 'not-known',
            $this->mayFill > $now => 'cures',
            default => 'ready',
        };
    }

    /** @return WrittenTestJoint */
    public function written(DateTimeImmutable $now): array
    {
        $text = $this->method === null ? null : MethodTexts::text($this->method);

        return [
            'run' => $this->run,
            'joint' => $this->number,
            'mark' => $this->mark,
            'name' => $this->name,
            'method_name' => $text['name'] ?? '',
            'check' => $text['check'] ?? '',
            'state' => $this->state($now),
            'may_fill' => $this->mayFill?->format(DateTimeInterface::ATOM),
            'dry' => $this->isDry(),
            'by' => $this->standing->walk?->by,
        ];
    }

    /** Whether it was found dry since it was made. */
    public function isDry(): ?bool
    {
        return $this->standing->walk?->content['dry'] ?? null;
    }
}
