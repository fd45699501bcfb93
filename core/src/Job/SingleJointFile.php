<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Joining\Method;
use FallBend\Core\Joining\PipeEnd;
use FallBend\Core\Joining\Place;

/** Reads and writes a single joint as it stands in the job file. */
final readonly class SingleJointFile
{
    /** @param array<string, StandingPipe> $standing by id */
    public function __construct(private Catalogue $catalogue, private array $standing) {}

    /**
     * @param string $id read and checked already
     *
     * @throws BadInput at the field that is wrong
     */
    public function read(Fields $fields, string $id): SingleJoint
    {
        $name = trim($fields->string('name', 80));
        $place = $fields->childOrNull('place');
        $joint = new SingleJoint(
            $id,
            $name !== '' ? $name : throw BadInput::at($fields->at('name'), 'must not be empty', $name),
            $this->end($fields->child('a')),
            $this->end($fields->child('b')),
            $place === null ? new Place : Place::read($place),
            $fields->has('method') ? $fields->enum('method', Method::class)->value : null,
        );
        $place?->end();
        $fields->end();

        return $joint;
    }

    /** @return array<string, mixed> */
    public static function document(SingleJoint $joint): array
    {
        return [
            'id' => $joint->id,
            'name' => $joint->name,
            'a' => $joint->a,
            'b' => $joint->b,
            'place' => ['ground' => $joint->place->ground, 'access' => $joint->place->access] +
                ($joint->place->isAtDrainSewerLine ? ['at_drain_sewer_line' => true] : []),
        ] + ($joint->method === null ? [] : ['method' => $joint->method]);
    }

    /** @return array{standing?: string, system?: string, size?: string, end?: string, od_mm?: float, fixed?: bool} */
    private function end(Fields $fields): array
    {
        if ($fields->has('standing')) {
            $id = $fields->choice('standing', array_map(strval(...), array_keys($this->standing)));
            $fields->end();

            return ['standing' => $id];
        }
        $end = PipeEnd::read($fields, $this->catalogue);

        return ['system' => $end->system->key, 'size' => $end->pipe->size, 'end' => $end->kind->value] +
            ($end->isMeasured ? ['od_mm' => $end->outsideMm] : []) +
            ($end->isFixed ? ['fixed' => true] : []);
    }
}
