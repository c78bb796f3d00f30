<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use ZippyTray\Core\NotFound;
use ZippyTray\Core\Tray\Importance\Correction;
use ZippyTray\Core\Tray\Importance\CorrectionAbout;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Ports\CorrectionStore;

/**
 * How much one conversation matters, and about which other mail can be spoken with it.
 *
 * @phpstan-type Choice array{about: CorrectionAbout, name: string, trait: string, said: CorrectionView|null}
 */
final readonly class Importances
{
    public function __construct(private Advices $advices, private ConversationRows $rows, private CorrectionStore $corrections)
    {
    }

    /** @throws NotFound */
    public function of(Account $account, string $conversationId): ImportanceView
    {
        $row = $this->rows->one($account, $conversationId);
        $weighed = $this->advices->weighed($account, [$conversationId])[$conversationId] ?? null;

        return null === $weighed ? ImportanceView::none() : ImportanceView::of($weighed, $this->choices($account, $row, $weighed));
    }

    /**
     * @return Choice|null null when this cannot be spoken about
     *
     * @throws NotFound
     */
    public function choice(Account $account, string $conversationId, CorrectionAbout $about): ?array
    {
        $row = $this->rows->one($account, $conversationId);
        $weighed = $this->advices->weighed($account, [$conversationId])[$conversationId] ?? null;
        foreach (null === $weighed ? [] : $this->choices($account, $row, $weighed) as $choice) {
            if ($choice['about'] === $about) {
                return $choice;
            }
        }

        return null;
    }

    /** @return list<Choice> */
    private function choices(Account $account, ConversationRow $row, Weighed $weighed): array
    {
        $said = array_column(
            array_map(static fn (Correction $one): array => [$one->trait, CorrectionView::of($one)], $this->corrections->all($account->id)),
            1,
            0,
        );
        $head = $weighed->main->head;
        $isLatest = strtolower($row->email) === $head->from && '' !== $row->who;

        return array_map(static function (CorrectionAbout $about) use ($weighed, $head, $said, $row, $isLatest): array {
            $trait = $about->trait($weighed->main);

            return [
                'about' => $about,
                'name' => match ($about) {
                    CorrectionAbout::Sender => $isLatest ? $row->who : $head->from,
                    CorrectionAbout::MailingList => explode(' ', $head->key, 2)[1] ?? $head->key,
                    CorrectionAbout::Kind => $weighed->main->kind->plural(),
                },
                'trait' => $trait,
                'said' => $said[$trait] ?? null,
            ];
        }, CorrectionAbout::choices($weighed->main));
    }
}
