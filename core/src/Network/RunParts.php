<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

/** What one run gives to the network. */
final class RunParts
{
    /** @var list<Node> that stand in it, along its tape */
    public array $junctions = [];

    /** @var list<Segment> along its tape */
    public array $segments = [];

    /** Its own beginning; null where another run's fitting stands there. */
    public ?Node $outlet = null;

    /** Its own end; null where another run's fitting stands there, or it goes on into another. */
    public ?Node $tieIn = null;
}
