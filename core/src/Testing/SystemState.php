<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

/** How far the testing of a system is at a stage. */
enum SystemState: string
{
    /** Joints are not made yet. */
    case NotMade = 'not-made';

    /** Something is wrong, or the last test failed. */
    case Failed = 'failed';

    /** Joints have not cured yet, or it is not known when they have. */
    case Waits = 'waits';

    case Ready = 'ready';

    case Running = 'running';

    /** It holds; not everything was looked at yet. */
    case Passed = 'passed';

    /** Something was done to a joint since it was passed. */
    case Reopened = 'reopened';

    /** It holds, and everything was looked at. */
    case Done = 'done';
}
