<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

/** When in the course of a building pipes are tested. */
enum Stage: string
{
    /** They stand open to view, without fixtures. */
    case RoughIn = 'rough-in';

    /** Fixtures are set. */
    case Finished = 'finished';

    /** The drain lies in its bed and is not covered. */
    case Buried = 'buried';
}
