<?php

declare(strict_types=1);

// Commands stand in app/Console/Commands.
