<?php

declare(strict_types=1);

namespace ZippyTray\Core\InStep;

/**
 * Finds out what the folders of a mailbox stand for: the server says so (RFC 6154), else their names do.
 */
final readonly class FolderRoles
{
    private const ATTRIBUTES = [
        '\archive' => FolderRole::Archive,
        '\sent' => FolderRole::Sent,
        '\trash' => FolderRole::Bin,
        '\junk' => FolderRole::Spam,
        '\drafts' => FolderRole::Drafts,
        // Everything at once: what is taken out of the inbox is still there.
        '\all' => FolderRole::Archive,
    ];

    /** The likeliest first: where two folders have such names, the earlier one is taken. */
    private const NAMES = [
        'archive' => [
            'archive',
            'archives',
            'archived',

            'archiv',
            'archivo',
            'archivio',
            'arquivo',
            'archief',
            'arkiv',
            'アーカイブ',
        ],
        'sent' => [
            'sent', 'sent items', 'sent mail', 'sent messages', 'gesendet', 'gesendete objekte', 'gesendete elemente', 'envoyés',
            'éléments envoyés', 'messages envoyés', 'enviados', 'elementos enviados', 'posta inviata', 'inviata',
            'itens enviados', 'verzonden',
            'verzonden items', 'skickat', 'sendt', 'wysłane', '送信済み', '送信済みアイテム', '已发送',
        ],
        'bin' => [
            'trash', 'bin', 'deleted', 'deleted items', 'deleted messages', 'papierkorb', 'gelöschte objekte',
            'gelöschte elemente', 'corbeille',
            'éléments supprimés', 'papelera', 'elementos eliminados', 'cestino', 'lixeira', 'lixo', 'prullenbak',
            'verwijderde items', 'papperskorgen',
            'papirkurv', 'kosz', 'ゴミ箱', '已删除',
        ],
        'spam' => [
            'junk', 'spam', 'junk mail', 'junk e-mail', 'junk email', 'bulk mail', 'werbung', 'courrier indésirable',
            'indésirables', 'correo no deseado',
            'posta indesiderata', 'lixo eletrônico', 'ongewenste e-mail', 'skräppost', 'wiadomości-śmieci', '迷惑メール', '垃圾邮件',
        ],
        'drafts' => [
            'drafts', 'draft', 'entwürfe', 'brouillons', 'borradores', 'bozze', 'rascunhos', 'concepten', 'utkast',
            'kladder', 'szkice', '下書き', '草稿',
        ],
        'away' => ['away'],
    ];

    /** What a missing one is called when it is made. */
    public const MADE = ['archive' => 'Archive', 'sent' => 'Sent', 'bin' => 'Trash', 'spam' => 'Junk', 'away' => 'Away'];

    /**
     * @param list<array{name: string, attributes: list<string>, delimiter: string}> $folders names in UTF-8
     *
     * @return array<string, string> the role's value => the folder that stands for it; the inbox is always INBOX (RFC 9051, 5.1)
     */
    public static function of(array $folders): array
    {
        $found = ['inbox' => 'INBOX'];
        $said = ['\all' => []];
        foreach ($folders as ['name' => $name, 'attributes' => $attributes]) {
            foreach (array_map(strtolower(...), $attributes) as $attribute) {
                $said[$attribute][] = $name;
            }
        }
        foreach (self::ATTRIBUTES as $attribute => $role) {
            if (isset($said[$attribute][0])) {
                $found[$role->value] ??= $said[$attribute][0];
            }
        }
        foreach (self::NAMES as $role => $names) {
            if (isset($found[$role])) {
                continue;
            }
            foreach ($names as $likely) {
                foreach ($folders as ['name' => $name, 'delimiter' => $delimiter, 'attributes' => $attributes]) {
                    $isFree = !\in_array($name, $found, true) && !\in_array('\noselect', array_map(strtolower(...), $attributes), true);
                    if ($isFree && self::leaf($name, $delimiter) === $likely) {
                        $found[$role] = $name;
                        break 2;
                    }
                }
            }
        }

        return $found;
    }

    /**
     * @param string                                       $prefix  of the person's own namespace (RFC 2342); empty: none is said
     * @param list<array{name: string, delimiter: string}> $folders
     *
     * @return string what a missing one is called when it is made: where all folders lie below the inbox, it lies there, too
     */
    public static function made(FolderRole $role, string $prefix, array $folders): string
    {
        $name = self::MADE[$role->value] ?? throw new \LogicException('Such a folder is not made.');
        if ('' !== $prefix) {
            return $prefix.$name;
        }
        $below = null;
        foreach ($folders as ['name' => $other, 'delimiter' => $delimiter]) {
            if ('INBOX' === strtoupper($other)) {
                continue;
            }
            if ('' === $delimiter || !str_starts_with(strtoupper($other), 'INBOX'.$delimiter)) {
                return $name;
            }
            $below = 'INBOX'.$delimiter;
        }

        return $below.$name;
    }

    /** The name itself, when it lies at the top or right below the inbox. */
    private static function leaf(string $name, string $delimiter): string
    {
        $name = mb_strtolower($name);
        $below = '' === $delimiter ? '' : 'inbox'.$delimiter;

        return '' !== $below && str_starts_with($name, $below) ? substr($name, \strlen($below)) : $name;
    }
}
