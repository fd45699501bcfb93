<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

/**
 * What makes a fixture load a drain otherwise than the usual one of its kind: who uses it, how much it flushes, how
 * many heads it has. A rulebook has rows for those that it counts otherwise.
 */
enum FixtureVariant: string
{
    case PublicUse = 'public';
    case Assembly = 'assembly';
    case LargeFlush = 'large-flush';
    case OldFlush = 'old-flush';
    case PublicLargeFlush = 'public-large-flush';
    case AssemblyLargeFlush = 'assembly-large-flush';
    case FlushValve = 'flush-valve';
    case SmallFlush = 'small-flush';
    case NoWater = 'no-water';
    case Washout = 'washout';
    case TwoHeads = 'heads-2';
    case ThreeHeads = 'heads-3';
    case FourHeads = 'heads-4';
    case FiveHeads = 'heads-5';
    case SixHeads = 'heads-6';
}
