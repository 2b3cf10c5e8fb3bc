<?php

declare(strict_types=1);

namespace Rhapsode\Core\Credits;

/**
 * The few words of a film that its maker did not write, in the language of the story: the heading of the credits, whose a
 * picture or music is, and what a slide is called in the list of chapters. A language that is not here gets English.
 */
final readonly class Wording
{
    /** Heading, slide, picture, music; the last, only where a language has a word for it, is what stands between a title and its author. */
    private const WORDS = [
        'ar' => ['المصادر', 'شريحة', 'صورة', 'موسيقى'],
        'cs' => ['Zdroje', 'Snímek', 'Obrázek', 'Hudba'],
        'de' => ['Nachweise', 'Bild', 'Bild', 'Musik', 'von'],
        'el' => ['Πηγές', 'Διαφάνεια', 'Εικόνα', 'Μουσική'],
        'en' => ['Credits', 'Slide', 'Picture', 'Music', 'by'],
        'es' => ['Créditos', 'Diapositiva', 'Imagen', 'Música', 'de'],
        'fa' => ['منابع', 'اسلاید', 'تصویر', 'موسیقی'],
        'fi' => ['Lähteet', 'Dia', 'Kuva', 'Musiikki'],
        'fr' => ['Crédits', 'Image', 'Image', 'Musique', 'de'],
        'he' => ['קרדיטים', 'שקופית', 'תמונה', 'מוזיקה'],
        'hi' => ['आभार', 'स्लाइड', 'चित्र', 'संगीत'],
        'hu' => ['Források', 'Dia', 'Kép', 'Zene'],
        'it' => ['Crediti', 'Diapositiva', 'Immagine', 'Musica', 'di'],
        'ja' => ['クレジット', 'スライド', '画像', '音楽'],
        'ko' => ['출처', '슬라이드', '사진', '음악'],
        'nb' => ['Kilder', 'Bilde', 'Bilde', 'Musikk', 'av'],
        'nl' => ['Bronnen', 'Dia', 'Beeld', 'Muziek', 'van'],
        'pl' => ['Źródła', 'Slajd', 'Obraz', 'Muzyka'],
        'pt' => ['Créditos', 'Slide', 'Imagem', 'Música', 'de'],
        'ro' => ['Surse', 'Diapozitiv', 'Imagine', 'Muzică', 'de'],
        'ru' => ['Источники', 'Слайд', 'Изображение', 'Музыка'],
        'sv' => ['Källor', 'Bild', 'Bild', 'Musik', 'av'],
        'sw' => ['Vyanzo', 'Slaidi', 'Picha', 'Muziki'],
        'th' => ['ที่มา', 'สไลด์', 'ภาพ', 'ดนตรี'],
        'tr' => ['Kaynaklar', 'Slayt', 'Görsel', 'Müzik'],
        'uk' => ['Джерела', 'Слайд', 'Зображення', 'Музика'],
        'ur' => ['حوالہ جات', 'سلائیڈ', 'تصویر', 'موسیقی'],
        'vi' => ['Nguồn', 'Trang', 'Hình ảnh', 'Âm nhạc'],
        'zh' => ['来源', '幻灯片', '图片', '音乐'],
    ];

    /** @param array{0: string, 1: string, 2: string, 3: string, 4?: string} $words */
    private function __construct(private string $language, private array $words) {}

    /** @param string $language a BCP 47 tag, of which the language itself counts */
    public static function in(string $language): self
    {
        $primary = strtolower((string) \Locale::getPrimaryLanguage($language));
        $primary = ['no' => 'nb', 'nn' => 'nb', 'iw' => 'he'][$primary] ?? $primary;

        return isset(self::WORDS[$primary]) ? new self($primary, self::WORDS[$primary]) : new self('en', self::WORDS['en']);
    }

    public function credits(): string
    {
        return $this->words[0];
    }

    /** @param int $number from 1 on */
    public function slide(int $number): string
    {
        return "{$this->words[1]} {$number}";
    }

    public function picture(string $title, string $author): string
    {
        return $this->work($this->words[2], $title, $author);
    }

    public function music(string $title, string $author): string
    {
        return $this->work($this->words[3], $title, $author);
    }

    /** “Title” by Author; where there is no title, what it is: Picture by Author. Without such a word: “Title”, Author; Picture: Author. */
    private function work(string $what, string $title, string $author): string
    {
        $quoted = '' === $title ? '' : $this->quoted($title);
        if ('' === $author) {
            return $quoted;
        }
        $by = $this->words[4] ?? null;

        return match (true) {
            '' !== $quoted => $quoted . (null === $by ? ', ' : " {$by} ") . $author,
            'by' === $by => "{$what} by {$author}",
            default => "{$what}: {$author}",
        };
    }

    /** Between the quotation marks that the language uses (Unicode CLDR). */
    private function quoted(string $title): string
    {
        $marks = \ResourceBundle::create($this->language, 'ICUDATA', true)?->get('delimiters');
        $mark = static fn(string $name, string $usual): string => $marks instanceof \ResourceBundle && \is_string($marks->get($name)) ? $marks->get($name) : $usual;

        return $mark('quotationStart', '“') . $title . $mark('quotationEnd', '”');
    }
}
