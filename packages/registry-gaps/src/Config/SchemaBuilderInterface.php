<?php

declare(strict_types=1);

namespace League\Config;

use Nette\Schema\Schema;

/** Takes schemas, one per top-level key. */
interface SchemaBuilderInterface
{
    public function addSchema(string $key, Schema $schema): void;
}
