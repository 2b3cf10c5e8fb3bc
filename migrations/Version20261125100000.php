<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261125100000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Two acts at once end in one truth; a hand-in has its own cover; sessions in the database';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE film ADD cover VARCHAR(64) DEFAULT NULL');
        $this->addSql("UPDATE film SET cover = (SELECT slide->>'picture' FROM jsonb_array_elements(document::jsonb->'slides') WITH ORDINALITY AS s(slide, n) WHERE slide->>'picture' IS NOT NULL ORDER BY n LIMIT 1)");
        // What was doubled before: of hand-ins of one film the first stays, with the remarks of all; of films alike the one that was handed in
        // or made first; another that was handed in stays as well, as one of a document of its own, and the rest are called off.
        $this->addSql('CREATE TEMPORARY TABLE doubled AS SELECT id, FIRST_VALUE(id) OVER (PARTITION BY film_id ORDER BY answered_at, handed_in_at, id) AS stays FROM hand_in');
        $this->addSql('UPDATE remark r SET hand_in_id = d.stays FROM doubled d WHERE d.id = r.hand_in_id AND d.id <> d.stays');
        $this->addSql('DELETE FROM hand_in WHERE id IN (SELECT id FROM doubled WHERE id <> stays)');
        $this->addSql('DROP TABLE doubled');
        $this->addSql("CREATE TEMPORARY TABLE alike AS SELECT f.id, h.id IS NOT NULL AS handed_in, ROW_NUMBER() OVER (PARTITION BY f.story_id, f.document_hash, f.size, f.container ORDER BY h.id IS NULL, (f.state = 'done') DESC, f.begun_at, f.id) AS n FROM film f LEFT JOIN hand_in h ON h.film_id = f.id WHERE f.state NOT IN ('failed', 'cancelled')");
        $this->addSql("UPDATE film SET document_hash = 'once more ' || film.id FROM alike a WHERE a.id = film.id AND a.n > 1 AND a.handed_in");
        $this->addSql("UPDATE film SET state = 'cancelled' FROM alike a WHERE a.id = film.id AND a.n > 1 AND NOT a.handed_in");
        $this->addSql('DROP TABLE alike');
        $this->addSql('UPDATE hand_in h SET number = r.n FROM (SELECT id, ROW_NUMBER() OVER (PARTITION BY story_id ORDER BY number, handed_in_at, id) AS n FROM hand_in) r WHERE r.id = h.id AND h.number <> r.n');
        $this->addSql("CREATE UNIQUE INDEX film_once ON film (story_id, document_hash, size, container) WHERE (((state)::text <> 'failed'::text) AND ((state)::text <> 'cancelled'::text))");
        $this->addSql('CREATE UNIQUE INDEX hand_in_number ON hand_in (story_id, number)');
        $this->addSql('DROP INDEX IF EXISTS idx_d0e5d47567f5183');
        $this->addSql('CREATE UNIQUE INDEX hand_in_film ON hand_in (film_id)');
        $this->addSql('CREATE TABLE session (sess_id VARCHAR(128) NOT NULL, sess_data BYTEA NOT NULL, sess_lifetime INT NOT NULL, sess_time INT NOT NULL, PRIMARY KEY(sess_id))');
        $this->addSql('CREATE INDEX sess_lifetime_idx ON session (sess_lifetime)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE session');
        $this->addSql('DROP INDEX hand_in_film');
        $this->addSql('DROP INDEX hand_in_number');
        $this->addSql('DROP INDEX film_once');
        $this->addSql('ALTER TABLE film DROP cover');
    }
}
