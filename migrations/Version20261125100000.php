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
        // What was doubled before stays watchable: the later of two films in making is called off, a later number is counted on.
        $this->addSql("UPDATE film SET state = 'cancelled' WHERE id IN (SELECT id FROM (SELECT id, state, ROW_NUMBER() OVER (PARTITION BY story_id, document_hash, size, container ORDER BY (state = 'done') DESC, begun_at, id) AS n FROM film WHERE state NOT IN ('failed', 'cancelled')) f WHERE n > 1) AND id NOT IN (SELECT film_id FROM hand_in)");
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
