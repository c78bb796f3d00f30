<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\Refused;

/**
 * How a person writes mail.
 *
 * @phpstan-type PostSettingsState array{undoSeconds: int, signature: string, digest: bool}
 */
final readonly class PostSettings
{
    public const LONGEST_UNDO = 120;

    public const SIGNATURE_LENGTH = 2000;

    public string $signature;

    /**
     * @param int    $undoSeconds for which sending can be taken back
     * @param string $signature   without its mark; may be empty
     * @param bool   $digest      whether they want a message to themselves each working morning
     *
     * @throws Refused
     */
    public function __construct(public int $undoSeconds = 10, string $signature = '', public bool $digest = false)
    {
        if ($undoSeconds < 0 || $undoSeconds > self::LONGEST_UNDO) {
            throw new Refused(\sprintf('From 0 to %d seconds.', self::LONGEST_UNDO), 'undoSeconds');
        }
        $this->signature = rtrim(str_replace(["\r\n", "\r"], "\n", mb_scrub($signature)));
        if (mb_strlen($this->signature) > self::SIGNATURE_LENGTH) {
            throw new Refused(\sprintf('A signature can have %d characters at most.', self::SIGNATURE_LENGTH), 'signature');
        }
    }

    /** The signature stands under what is going to be written, above what is quoted. */
    public function signed(Letter $letter): Letter
    {
        if ('' === $this->signature) {
            return $letter;
        }
        $isAbove = '' === trim($letter->text) || str_starts_with($letter->text, "\n\n");

        return $letter->withText(
            $isAbove ? "\n\n-- \n".$this->signature.$letter->text : rtrim($letter->text)."\n\n-- \n".$this->signature."\n",
        );
    }

    /** @return PostSettingsState */
    public function state(): array
    {
        return ['undoSeconds' => $this->undoSeconds, 'signature' => $this->signature, 'digest' => $this->digest];
    }
}
