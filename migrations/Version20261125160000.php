<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261125160000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Parts of films are made ahead.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE made_ahead (key VARCHAR(80) NOT NULL, owner_id UUID NOT NULL, made_at TIMESTAMP(0) WITHOUT TIME ZONE NOT NULL, PRIMARY KEY(key))');
        $this->addSql('CREATE INDEX IDX_DE99720D7E3C61F9 ON made_ahead (owner_id)');
        $this->addSql('CREATE INDEX made_ahead_owner ON made_ahead (owner_id, made_at)');
        $this->addSql('CREATE INDEX made_ahead_old ON made_ahead (made_at)');
        $this->addSql('ALTER TABLE made_ahead ADD CONSTRAINT FK_DE99720D7E3C61F9 FOREIGN KEY (owner_id) REFERENCES person (id) ON DELETE CASCADE NOT DEFERRABLE');
        $this->addSql('CREATE TABLE story_ahead (story_id UUID NOT NULL, revision INT NOT NULL, PRIMARY KEY(story_id))');
        $this->addSql('ALTER TABLE story_ahead ADD CONSTRAINT FK_E1A6C8FDAA5D4036 FOREIGN KEY (story_id) REFERENCES story (id) ON DELETE CASCADE NOT DEFERRABLE');
        $this->addSql('CREATE INDEX story_rested ON story (changed_at)');
    }
}
