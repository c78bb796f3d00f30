<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

/**
 * A sentence that asks the person for something.
 */
final readonly class Request
{
    /**
     * @param string $text   the sentence as it is written, on one line
     * @param int    $from   its first character in the message's text, counted in Unicode code points from 0
     * @param int    $to     the character behind the last one
     * @param string $action what is asked, without "could you please" and the like; for a question the question
     * @param bool   $others it asks for somebody else to do it, or whether somebody else can
     * @param bool   $named  it turns to the person by name
     */
    public function __construct(
        public string $text,
        public int $from,
        public int $to,
        public RequestForm $form,
        public string $action,
        public bool $others = false,
        public bool $named = false,
    ) {
    }

    /**
     * The one that binds most; of equal ones the first.
     *
     * @param list<self> $requests
     */
    public static function strongest(array $requests): ?self
    {
        $strongest = null;
        foreach ($requests as $request) {
            if (null === $strongest || $request->form->value > $strongest->form->value) {
                $strongest = $request;
            }
        }

        return $strongest;
    }
}
