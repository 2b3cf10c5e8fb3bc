<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261130023000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Some make one story together.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE story_maker (story_record_id UUID NOT NULL, user_id UUID NOT NULL, PRIMARY KEY (story_record_id, user_id))');
        $this->addSql('CREATE INDEX IDX_1A59DF17B4474F7D ON story_maker (story_record_id)');
        $this->addSql('CREATE INDEX IDX_1A59DF17A76ED395 ON story_maker (user_id)');
        $this->addSql('ALTER TABLE story_maker ADD CONSTRAINT FK_1A59DF17B4474F7D FOREIGN KEY (story_record_id) REFERENCES story (id) ON DELETE CASCADE');
        $this->addSql('ALTER TABLE story_maker ADD CONSTRAINT FK_1A59DF17A76ED395 FOREIGN KEY (user_id) REFERENCES person (id) ON DELETE CASCADE');
        $this->addSql('ALTER TABLE assignment ADD together INT DEFAULT 1 NOT NULL');
    }
}
