<?php

declare(strict_types=1);

namespace App\Api;

use BackedEnum;
use LogicException;
use PHPStan\PhpDocParser\Ast\ConstExpr\ConstExprStringNode;
use PHPStan\PhpDocParser\Ast\ConstExpr\ConstFetchNode;
use PHPStan\PhpDocParser\Ast\PhpDoc\PhpDocNode;
use PHPStan\PhpDocParser\Ast\Type\ArrayShapeItemNode;
use PHPStan\PhpDocParser\Ast\Type\ArrayShapeNode;
use PHPStan\PhpDocParser\Ast\Type\ConstTypeNode;
use PHPStan\PhpDocParser\Ast\Type\GenericTypeNode;
use PHPStan\PhpDocParser\Ast\Type\IdentifierTypeNode;
use PHPStan\PhpDocParser\Ast\Type\NullableTypeNode;
use PHPStan\PhpDocParser\Ast\Type\TypeNode;
use PHPStan\PhpDocParser\Ast\Type\UnionTypeNode;
use PHPStan\PhpDocParser\Lexer\Lexer;
use PHPStan\PhpDocParser\Parser\ConstExprParser;
use PHPStan\PhpDocParser\Parser\PhpDocParser;
use PHPStan\PhpDocParser\Parser\TokenIterator;
use PHPStan\PhpDocParser\Parser\TypeParser;
use PHPStan\PhpDocParser\ParserConfig;
use ReflectionClass;

/**
 * Reads the types that classes document of what they answer (`@phpstan-type`), as JSON Schemas. The analyser holds the
 * code to these types, so that the description says what the code does. Only what answers are made of is read: shapes,
 * lists, maps, texts, numbers, choices.
 */
final class DocumentedTypes
{
    private const PLAIN = [
        'string' => 'string',
        'int' => 'integer',
        'float' => 'number',
        'bool' => 'boolean',
        'null' => 'null',
    ];

    private readonly Lexer $lexer;

    private readonly PhpDocParser $parser;

    /** @var array<string, PhpDocNode> by class */
    private array $docs = [];

    /**
     * @param array<string, array{class-string, string}> $named class and type by the name of the shape
     * @param list<array{class-string, string, array<string, mixed>}> $elsewhere class, type and schema of what is
     *     described elsewhere
     */
    public function __construct(private readonly array $named, private readonly array $elsewhere = [])
    {
        $config = new ParserConfig([]);
        $expressions = new ConstExprParser($config);
        $this->lexer = new Lexer($config);
        $this->parser = new PhpDocParser($config, new TypeParser($config, $expressions), $expressions);
    }

    /** @return array<string, array<string, mixed>> schemas by the name of the shape */
    public function schemas(): array
    {
        return array_map(fn (array $at): array => $this->schema($this->type($at[0], $at[1]), $at[0]), $this->named);
    }

    /**
     * @param class-string $class
     * @return array<string, mixed>
     */
    private function schema(TypeNode $type, string $class): array
    {
        return match (true) {
            $type instanceof ArrayShapeNode => $this->shape($type, $class),
            $type instanceof NullableTypeNode => $this->orNull($this->schema($type->type, $class)),
            $type instanceof UnionTypeNode => $this->union($type, $class),
            $type instanceof GenericTypeNode => $this->generic($type, $class),
            $type instanceof ConstTypeNode => ['enum' => [self::text($type)]],
            $type instanceof IdentifierTypeNode => $this->identified($type->name, $class),
            default => throw new LogicException("{$class} documents an answer that cannot be described: {$type}"),
        };
    }

    /**
     * @param class-string $class
     * @return array<string, mixed>
     */
    private function shape(ArrayShapeNode $shape, string $class): array
    {
        [$required, $optional] = [[], []];
        foreach ($shape->items as $item) {
            if ($item->optional) {
                $optional[self::key($item)] = $this->schema($item->valueType, $class);
            } else {
                $required[self::key($item)] = $this->schema($item->valueType, $class);
            }
        }

        return Shapes::object($required, $optional);
    }

    /**
     * @param class-string $class
     * @return array<string, mixed>
     */
    private function union(UnionTypeNode $union, string $class): array
    {
        // An empty map is an object of no class.
        $types = array_filter(
            $union->types,
            static fn (TypeNode $type): bool => ! self::isNamed($type, 'null') && ! self::isNamed($type, 'stdClass'),
        );
        $all = array_values(array_map(fn (TypeNode $type): array => $this->schema($type, $class), $types));
        $one = self::oneOf($all);

        $isNull = array_filter($union->types, static fn (TypeNode $type): bool => self::isNamed($type, 'null')) !== [];

        return $isNull ? $this->orNull($one) : $one;
    }

    private static function isNamed(TypeNode $type, string $name): bool
    {
        return $type instanceof IdentifierTypeNode && $type->name === $name;
    }

    /**
     * @param list<array<string, mixed>> $all
     * @return array<string, mixed>
     */
    private static function oneOf(array $all): array
    {
        [$choices, $plain] = [[], []];
        foreach ($all as $schema) {
            if (is_array($schema['enum'] ?? null)) {
                array_push($choices, ...$schema['enum']);
            } elseif (count($schema) === 1 && isset($schema['type'])) {
                $plain[] = $schema['type'];
            }
        }

        return match (true) {
            count($all) === 1 => $all[0],
            $plain === [] && $choices !== [] => ['enum' => $choices],
            count($plain) === count($all) => ['type' => $plain],
            default => ['oneOf' => $all],
        };
    }

    /**
     * @param class-string $class
     * @return array<string, mixed>
     */
    private function generic(GenericTypeNode $type, string $class): array
    {
        $last = $type->genericTypes[count($type->genericTypes) - 1];

        return match ((string) $type->type) {
            'list' => Shapes::list($this->schema($last, $class)),
            'array' => ['type' => 'object', 'additionalProperties' => $this->schema($last, $class)],
            'value-of' => ['enum' => $this->values($last, $class)],
            default => throw new LogicException("{$class} documents {$type}"),
        };
    }

    /**
     * @param class-string $class
     * @return list<mixed> of an enum, or of a constant
     */
    private function values(TypeNode $of, string $class): array
    {
        if ($of instanceof ConstTypeNode && $of->constExpr instanceof ConstFetchNode) {
            $in = $of->constExpr->className === 'self' ? $class : $this->resolved($of->constExpr->className, $class);
            $values = constant("{$in}::{$of->constExpr->name}");

            return is_array($values) ? array_values($values) : throw new LogicException("{$in} has no such list");
        }
        $enum = $this->resolved((string) $of, $class);

        return is_subclass_of($enum, BackedEnum::class)
            ? array_map(static fn (BackedEnum $case): int|string => $case->value, $enum::cases())
            : throw new LogicException("{$enum} is no enum with values");
    }

    /**
     * @param class-string $class
     * @return array<string, mixed>
     */
    private function identified(string $name, string $class): array
    {
        if (isset(self::PLAIN[$name])) {
            return ['type' => self::PLAIN[$name]];
        }
        if ($name === 'stdClass') {
            // An object that may be empty, where an array would be written as a list.
            return ['type' => 'object', 'additionalProperties' => ['type' => ['number', 'string']]];
        }
        [$at, $alias] = $this->home($name, $class);
        foreach ($this->elsewhere as [$in, $type, $schema]) {
            if ($in === $at && $type === $alias) {
                return $schema;
            }
        }
        $shape = array_search([$at, $alias], $this->named, true);

        return $shape === false ? $this->schema($this->type($at, $alias), $at) : Shapes::ref($shape);
    }

    /**
     * @param class-string $class
     * @return array{class-string, string} the class that a type is documented in, and its name there
     */
    private function home(string $name, string $class): array
    {
        foreach ($this->doc($class)->getTypeAliasImportTagValues() as $import) {
            if (($import->importedAs ?? $import->importedAlias) === $name) {
                return [$this->resolved((string) $import->importedFrom, $class), $import->importedAlias];
            }
        }

        return [$class, $name];
    }

    /** @param class-string $class */
    private function type(string $class, string $alias): TypeNode
    {
        foreach ($this->doc($class)->getTypeAliasTagValues() as $tag) {
            if ($tag->alias === $alias) {
                return $tag->type;
            }
        }

        throw new LogicException("{$class} documents no {$alias}");
    }

    /** @param class-string $class */
    private function doc(string $class): PhpDocNode
    {
        return $this->docs[$class] ??= $this->parser->parse(
            new TokenIterator($this->lexer->tokenize((string) (new ReflectionClass($class))->getDocComment())),
        );
    }

    /**
     * @param class-string $class
     * @return class-string what a short name stands for in the file of a class
     */
    private function resolved(string $name, string $class): string
    {
        $reflection = new ReflectionClass($class);
        $code = (string) file_get_contents((string) $reflection->getFileName());
        $isImported = preg_match('/^use ([\w\\\\]+\\\\'.preg_quote($name, '/').');/m', $code, $found) === 1;
        $full = match (true) {
            $isImported => $found[1],
            $name === $reflection->getShortName() => $class,
            default => $reflection->getNamespaceName()."\\{$name}",
        };

        return class_exists($full) ? $full : throw new LogicException("{$class} names {$full}, which is no class");
    }

    /**
     * @param array<string, mixed> $schema
     * @return array<string, mixed>
     */
    private function orNull(array $schema): array
    {
        $type = $schema['type'] ?? null;

        return match (true) {
            isset($schema['enum']) && is_array($schema['enum']) => ['enum' => [...$schema['enum'], null]],
            is_string($type) && count($schema) === 1 => ['type' => [$type, 'null']],
            default => Shapes::orNull($schema),
        };
    }

    private static function key(ArrayShapeItemNode $item): string
    {
        return $item->keyName instanceof ConstExprStringNode ? $item->keyName->value : (string) $item->keyName;
    }

    private static function text(ConstTypeNode $type): string
    {
        return $type->constExpr instanceof ConstExprStringNode
            ? $type->constExpr->value
            : throw new LogicException("{$type} is no text");
    }
}
