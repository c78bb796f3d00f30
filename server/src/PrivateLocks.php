<?php

declare(strict_types=1);

namespace ZippyTray\Server;

use Symfony\Component\Lock\BlockingStoreInterface;
use Symfony\Component\Lock\Key;
use Symfony\Component\Lock\Store\FlockStore;

/**
 * Locks on files that nobody else can open.
 */
final readonly class PrivateLocks implements BlockingStoreInterface
{
    private FlockStore $inner;

    private string $folder;

    public function __construct()
    {
        $this->folder = DataFolder::path();
        $this->inner = new FlockStore($this->folder);
    }

    public function save(Key $key): void
    {
        $this->inner->save($key);
        $this->close();
    }

    public function waitAndSave(Key $key): void
    {
        $this->inner->waitAndSave($key);
        $this->close();
    }

    public function delete(Key $key): void
    {
        $this->inner->delete($key);
    }

    public function exists(Key $key): bool
    {
        return $this->inner->exists($key);
    }

    public function putOffExpiration(Key $key, float $ttl): void
    {
        $this->inner->putOffExpiration($key, $ttl);
    }

    /** The store makes them for everybody. */
    private function close(): void
    {
        foreach (glob($this->folder.'/sf.*.lock') ?: [] as $file) {
            if (0 !== ((int) fileperms($file) & 0o077)) {
                @chmod($file, 0o600);
            }
        }
    }
}
