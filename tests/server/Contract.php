<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Assert;
use Symfony\Component\Yaml\Yaml;

/**
 * Holds requests and responses against api/openapi.yaml. Members that the contract does not name count as errors.
 */
final class Contract
{
    private const ID = 'https://zippy-tray.example/contract.json';

    /** @var array<string, mixed> */
    private readonly array $document;

    private readonly Validator $validator;

    public function __construct()
    {
        /** @var array<string, mixed> $document */
        $document = Yaml::parseFile(\dirname(__DIR__, 2).'/api/openapi.yaml');
        $this->document = $document;
        $closed = json_decode(json_encode(self::closed($document), \JSON_THROW_ON_ERROR), false, 512, \JSON_THROW_ON_ERROR);
        \assert($closed instanceof \stdClass);
        $closed->{'$id'} = self::ID;
        $this->validator = new Validator();
        $this->validator->resolver()?->registerRaw($closed, self::ID);
    }

    /** @return list<string> "GET /tray" for each operation */
    public function operations(): array
    {
        $operations = [];
        foreach ($this->paths() as $path => $item) {
            foreach (array_intersect(array_keys($item), ['get', 'post', 'put', 'patch', 'delete']) as $method) {
                $operations[] = strtoupper($method).' '.$path;
            }
        }
        sort($operations);

        return $operations;
    }

    /**
     * @return array<string, array<string, mixed>> the schema of the JSON body of each operation that takes one, references to others put in
     */
    public function bodies(): array
    {
        $bodies = [];
        foreach ($this->operations() as $operation) {
            [$method, $path] = explode(' ', $operation);
            $schema = $this->at(['paths', $path, strtolower($method), 'requestBody', 'content', 'application/json', 'schema']);
            if ([] !== $schema) {
                $bodies[$operation] = $this->whole($schema);
            }
        }

        return $bodies;
    }

    /**
     * @param array<string, mixed> $schema
     *
     * @return array<string, mixed>
     */
    private function whole(array $schema, int $depth = 0): array
    {
        if ($depth > 8) {
            return [];
        }
        if (\is_string($schema['$ref'] ?? null)) {
            return $this->whole($this->at(explode('/', substr($schema['$ref'], 2))), $depth + 1);
        }
        foreach ($schema as $name => $part) {
            if (\is_array($part)) {
                /** @var array<string, mixed> $part */
                $schema[$name] = $this->whole($part, $depth + 1);
            }
        }

        return $schema;
    }

    public function assertRequest(string $method, string $path, mixed $body): void
    {
        [$template, $operation] = $this->operation($method, $path);
        Assert::assertArrayHasKey('requestBody', $operation, "{$method} {$template} takes no body.");
        $this->assertMatches(
            $body,
            ['paths', $template, strtolower($method), 'requestBody', 'content', 'application/json', 'schema'],
            "Request {$method} {$path}",
        );
    }

    public function assertResponse(string $method, string $path, int $status, string $type, string $content): void
    {
        [$template, $operation] = $this->operation($method, $path);
        $responses = $operation['responses'];
        Assert::assertIsArray($responses);
        $key = isset($responses[(string) $status]) ? (string) $status : 'default';
        Assert::assertArrayHasKey($key, $responses, "{$method} {$template} does not answer with {$status}.");
        if ('default' === $key) {
            Assert::assertGreaterThanOrEqual(400, $status, "{$method} {$template} does not answer with {$status}.");
        }
        $pointer = ['paths', $template, strtolower($method), 'responses', $key];
        $response = $responses[$key];
        Assert::assertIsArray($response);
        if (\is_string($response['$ref'] ?? null)) {
            $pointer = explode('/', substr($response['$ref'], 2));
            $response = $this->at($pointer);
        }
        if (!isset($response['content'])) {
            Assert::assertSame('', $content, "{$method} {$template} answers {$status} without content.");

            return;
        }
        Assert::assertIsArray($response['content']);
        Assert::assertArrayHasKey($type, $response['content'], "{$method} {$template} does not answer with {$type}.");
        if (str_ends_with($type, 'json')) {
            $this->assertMatches(
                json_decode($content, false, 512, \JSON_THROW_ON_ERROR),
                [...$pointer, 'content', $type, 'schema'],
                "Response {$status} to {$method} {$path}",
            );
        }
    }

    /** @param list<string> $pointer */
    private function assertMatches(mixed $data, array $pointer, string $what): void
    {
        $reference = self::ID.'#/'.implode(
            '/',
            array_map(static fn (string $step): string => rawurlencode(str_replace(['~', '/'], ['~0', '~1'], $step)), $pointer),
        );
        $result = $this->validator->validate($data, (object) ['$ref' => $reference]);
        $error = $result->error();
        Assert::assertTrue(
            $result->isValid(),
            null === $error ? '' : $what.': '.json_encode(
                (new ErrorFormatter())->format($error),
                \JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES,
            ),
        );
    }

    /** @return array{string, array<string, mixed>} path template and operation */
    private function operation(string $method, string $path): array
    {
        $path = (string) preg_replace('#^/api|\?.*$#', '', $path);
        $paths = $this->paths();
        // A path that is written out goes before one with holes in it.
        foreach ((isset($paths[$path]) ? [$path => $paths[$path]] : []) + $paths as $template => $item) {
            $pattern = '#^'.preg_replace('/\\\\\{[^}]+\\\\\}/', '[^/]+', preg_quote($template, '#')).'$#';
            $operation = $item[strtolower($method)] ?? null;
            if (1 === preg_match($pattern, $path) && \is_array($operation)) {
                /** @var array<string, mixed> $operation */
                return [$template, $operation];
            }
        }
        Assert::fail("The contract does not know {$method} {$path}.");
    }

    /** @return array<string, array<string, mixed>> */
    private function paths(): array
    {
        /** @var array<string, array<string, mixed>> $paths */
        $paths = $this->document['paths'];

        return $paths;
    }

    /**
     * @param list<string> $pointer
     *
     * @return array<string, mixed>
     */
    private function at(array $pointer): array
    {
        $found = $this->document;
        foreach ($pointer as $step) {
            $found = \is_array($found[$step] ?? null) ? $found[$step] : [];
        }

        /** @var array<string, mixed> $found */
        return $found;
    }

    /**
     * @param array<mixed> $schema
     *
     * @return array<mixed>
     */
    private static function closed(array $schema): array
    {
        if ('object' === ($schema['type'] ?? null) && isset($schema['properties'])) {
            $schema['additionalProperties'] ??= false;
        }

        return array_map(static fn (mixed $part): mixed => \is_array($part) ? self::closed($part) : $part, $schema);
    }
}
