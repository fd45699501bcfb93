<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

/** What keeps a trap from being vented by a method; its words stand in `core/data/wording.json` under `steps`. */
enum Shortfall: string
{
    case Closet = 'closet';

    case Urinal = 'urinal';

    case Offset = 'offset';

    case Separately = 'separately';

    case StackVentSmall = 'stack-vent-small';

    case StackVentWet = 'stack-vent-wet';

    case Interval = 'interval';

    case Total = 'total';

    case TooSmall = 'too-small';

    case ClosetUpper = 'closet-upper';

    case UpperTooMuch = 'upper-too-much';

    case Storey = 'storey';

    case NotOfBathroom = 'not-of-bathroom';

    case Groups = 'groups';

    case ClosetAbove = 'closet-above';

    case TooMany = 'too-many';

    case LoadEach = 'load-each';

    case Steep = 'steep';

    case VentPlace = 'vent-place';

    case Upright = 'upright';

    case Relief = 'relief';

    case ArmLong = 'arm-long';

    case Drop = 'drop';

    case Closets = 'closets';

    case LowestFloors = 'lowest-floors';

    case NotOfKind = 'not-of-kind';

    case Upstream = 'upstream';

    case Disposer = 'disposer';

    case DisposerNotKnown = 'disposer-not-known';

    case LoopLow = 'loop-low';

    case High = 'high';

    case DrainNotVentilated = 'drain-not-ventilated';

    case DrainNotKnown = 'drain-not-known';

    case TrapSmall = 'trap-small';

    case Short = 'short';

    case Falls = 'falls';

    /** Whether it is only not known: then it is asked for, and nothing is refused for it. */
    public function isQuestion(): bool
    {
        return $this === self::DisposerNotKnown || $this === self::DrainNotKnown;
    }

    /** Gives the key of its words. */
    public function step(): string
    {
        return "vent-short.{$this->value}";
    }
}
