<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** Reads and writes a standing pipe as it stands in the job file. */
final readonly class StandingPipeFile
{
    public function __construct(private Catalogue $catalogue) {}

    /**
     * @param string $id read and checked already
     *
     * @throws BadInput at the field that is wrong
     */
    public function read(Fields $fields, string $id): StandingPipe
    {
        $system = $fields->has('system')
            ? $this->catalogue->system($fields->choice('system', $this->catalogue->systemKeys()))
            : null;
        if ($system === null && $fields->has('size')) {
            throw BadInput::at($fields->at('size'), 'does not stand without system', $fields->raw('size'));
        }
        $name = trim($fields->string('name', 80));
        $pipe = new StandingPipe(
            $id,
            $name !== '' ? $name : throw BadInput::at($fields->at('name'), 'must not be empty', $name),
            $system?->key,
            $system === null ? null : $fields->choice('size', $system->sizes()),
            $fields->choice('end', StandingPipe::ENDS),
            $fields->numberOrNull('od_mm', 5, 1500),
            $fields->bool('fixed', true),
            $fields->has('how') ? $fields->choice('how', StandingPipe::HOW) : 'told',
            $fields->stringOr('at', '', 200),
            $fields->stringOr('faces', '', 80),
            $fields->numberOrNull('level_mm', -100_000, 100_000),
            $fields->stringOr('in_the_way', '', 300),
            $fields->bool('vent', false),
        );
        $fields->end();

        return $pipe;
    }

    /** @return array<string, mixed> */
    public static function document(StandingPipe $pipe): array
    {
        return array_filter(
            [
                'id' => $pipe->id,
                'name' => $pipe->name,
                'system' => $pipe->system,
                'size' => $pipe->size,
                'end' => $pipe->end,
                'od_mm' => $pipe->outsideMm,
                'fixed' => $pipe->isFixed,
                'how' => $pipe->how,
                'at' => $pipe->at === '' ? null : $pipe->at,
                'faces' => $pipe->faces === '' ? null : $pipe->faces,
                'level_mm' => $pipe->levelMm,
                'in_the_way' => $pipe->inTheWay === '' ? null : $pipe->inTheWay,
                'vent' => $pipe->isVent ? true : null,
            ],
            static fn (mixed $value): bool => $value !== null,
        );
    }
}
