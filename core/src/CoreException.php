<?php

declare(strict_types=1);

namespace FallBend\Core;

use Throwable;

/**
 * Everything that the core throws because of what it was given. A bug in the core is a LogicException and is none of
 * these.
 */
interface CoreException extends Throwable {}
