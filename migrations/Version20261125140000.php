<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261125140000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Each change of a story knows its author: so far, its owner.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE story_change ADD author_id UUID DEFAULT NULL');
        $this->addSql('UPDATE story_change c SET author_id = s.owner_id FROM story s WHERE s.id = c.story_id');
        $this->addSql('ALTER TABLE story_change ALTER author_id SET NOT NULL, ALTER author_id DROP DEFAULT');
        $this->addSql('ALTER TABLE story_change ADD CONSTRAINT FK_F544CD2F675F31B FOREIGN KEY (author_id) REFERENCES person (id) NOT DEFERRABLE INITIALLY IMMEDIATE');
        $this->addSql('CREATE INDEX IDX_F544CD2F675F31B ON story_change (author_id)');
        $this->addSql('DROP INDEX story_history');
        $this->addSql('CREATE INDEX story_history ON story_change (story_id, author_id, number)');
        // An order that waits in the queue is of a class that has another name now; its name and its length stand in its serialised form.
        $this->addSql("UPDATE queue_message SET body = replace(replace(body, 'O:26:', 'O:33:'), 'JoinFilm', 'ConcatenateFilm'), headers = replace(headers, 'JoinFilm', 'ConcatenateFilm') WHERE body LIKE '%JoinFilm%'");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP INDEX story_history');
        $this->addSql('CREATE INDEX story_history ON story_change (story_id, number)');
        $this->addSql('ALTER TABLE story_change DROP author_id');
    }
}
